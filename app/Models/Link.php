<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\OpenTo;
use FigPorch\Core\Catalogue\WebLink;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A website or database that a library points to.
 *
 * @property int $id
 * @property int $library_id
 * @property int $title_id
 * @property string $address
 * @property string $about what is found there, in a line; may be empty
 * @property OpenTo $open_to
 * @property CarbonImmutable $ask_at when it is looked at next
 * @property CarbonImmutable|null $asked_at
 * @property int $tries one after another that found it not to be there
 * @property string|null $trouble what the last found, where it is not there
 * @property string|null $moved_to where it says that it is from now on
 * @property CarbonImmutable|null $dead_at
 * @property-read Library $library
 * @property-read Title $title
 */
final class Link extends Model
{
    public $timestamps = false;

    protected $table = 'links';

    protected $guarded = [];

    protected $casts = [
        'open_to' => OpenTo::class,
        'ask_at' => 'immutable_datetime',
        'asked_at' => 'immutable_datetime',
        'dead_at' => 'immutable_datetime',
    ];

    /** @return BelongsTo<Library, $this> */
    public function library(): BelongsTo
    {
        return $this->belongsTo(Library::class);
    }

    /** @return BelongsTo<Title, $this> */
    public function title(): BelongsTo
    {
        return $this->belongsTo(Title::class);
    }

    public function value(): WebLink
    {
        return new WebLink($this->address, $this->about, $this->open_to);
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use FigPorch\Core\Catalogue\Holding as CoreHolding;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Copies of a title on paper that stand together in a library.
 *
 * @property int $id
 * @property int $library_id
 * @property int $title_id
 * @property string $place
 * @property string $call_number may be empty
 * @property int $copies
 * @property list<string> $numbers by which the library's own system knows each copy
 * @property-read Library $library
 * @property-read Title $title
 */
final class Holding extends Model
{
    public $timestamps = false;

    protected $table = 'holdings';

    protected $guarded = [];

    protected $casts = ['numbers' => 'array'];

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

    public function value(): CoreHolding
    {
        return new CoreHolding($this->place, $this->call_number, $this->copies, $this->numbers);
    }
}

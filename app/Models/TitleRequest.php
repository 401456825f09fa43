<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\Format;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A patron's wish that their library get a title.
 *
 * @property int $id
 * @property int $library_id
 * @property int|null $card_id null a while after the answer
 * @property int|null $title_id null for one in words, of which nobody has said yet which title it is
 * @property string|null $name what was asked for in words, with people, format and number
 * @property string|null $people
 * @property Format|null $format
 * @property string|null $number
 * @property bool $wants_notice
 * @property bool $wants_hold to be put in line when the title comes
 * @property string $state open, here, declined, withdrawn
 * @property string|null $answer what staff wrote
 * @property CarbonImmutable $asked_at
 * @property CarbonImmutable|null $answered_at
 * @property-read Title|null $title
 * @property-read Card $card
 */
final class TitleRequest extends Model
{
    public $timestamps = false;

    protected $table = 'requests';

    protected $guarded = [];

    protected $casts = [
        'format' => Format::class,
        'wants_notice' => 'boolean',
        'wants_hold' => 'boolean',
        'asked_at' => 'immutable_datetime',
        'answered_at' => 'immutable_datetime',
    ];

    /** @return BelongsTo<Title, $this> */
    public function title(): BelongsTo
    {
        return $this->belongsTo(Title::class);
    }

    /** @return BelongsTo<Card, $this> */
    public function card(): BelongsTo
    {
        return $this->belongsTo(Card::class);
    }
}

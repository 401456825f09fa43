<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A title in a person's Almanac; found by both, written by queries.
 *
 * @property int $person_id
 * @property int $title_id
 * @property CarbonImmutable $begun_at
 * @property CarbonImmutable $last_at
 * @property CarbonImmutable|null $finished_at
 * @property int|null $stars 1 to 5, their own
 * @property string $word their own
 * @property bool $left_out nothing of it is recorded
 * @property-read Title $title
 */
final class AlmanacTitle extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $table = 'almanac_titles';

    protected $guarded = [];

    protected $casts = [
        'begun_at' => 'immutable_datetime',
        'last_at' => 'immutable_datetime',
        'finished_at' => 'immutable_datetime',
        'left_out' => 'boolean',
    ];

    /** @return BelongsTo<Title, $this> */
    public function title(): BelongsTo
    {
        return $this->belongsTo(Title::class);
    }
}

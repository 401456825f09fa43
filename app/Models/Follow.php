<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A magazine that somebody follows.
 *
 * @property int $id
 * @property int $card_id
 * @property int $series_id
 * @property bool $borrows
 * @property CarbonImmutable $looked_at
 * @property-read Card $card
 */
final class Follow extends Model
{
    public $timestamps = false;

    protected $table = 'follows';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.uP';

    protected $casts = ['borrows' => 'boolean', 'looked_at' => 'immutable_datetime'];

    /** @return BelongsTo<Card, $this> */
    public function card(): BelongsTo
    {
        return $this->belongsTo(Card::class);
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use FigPorch\Core\Lending\HoldState;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $id
 * @property int $card_id
 * @property int $library_id
 * @property int $title_id
 * @property HoldState $state
 * @property CarbonImmutable $placed_at
 * @property CarbonImmutable $line_at place in the line; earlier goes first
 * @property CarbonImmutable|null $paused_until
 * @property int $misses
 * @property bool $borrow_at_once
 * @property int $kept_seconds
 * @property int|null $licence_id
 * @property CarbonImmutable|null $kept_until
 * @property-read Card $card
 * @property-read Title $title
 */
final class Hold extends Model
{
    public $timestamps = false;

    protected $table = 'holds';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.u';

    protected $casts = [
        'state' => HoldState::class,
        'placed_at' => 'immutable_datetime',
        'line_at' => 'immutable_datetime',
        'paused_until' => 'immutable_datetime',
        'ready_at' => 'immutable_datetime',
        'kept_until' => 'immutable_datetime',
        'closed_at' => 'immutable_datetime',
        'borrow_at_once' => 'boolean',
    ];

    /** @return BelongsTo<Card, $this> */
    public function card(): BelongsTo
    {
        return $this->belongsTo(Card::class);
    }

    /** @return BelongsTo<Title, $this> */
    public function title(): BelongsTo
    {
        return $this->belongsTo(Title::class);
    }
}

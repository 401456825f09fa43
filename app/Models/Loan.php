<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use DateTimeInterface;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property int $id
 * @property int|null $card_id
 * @property int $title_id
 * @property int $licence_id
 * @property-read Licence $licence
 * @property CarbonImmutable $started_at
 * @property CarbonImmutable $due_at
 * @property CarbonImmutable|null $ended_at
 * @property string|null $end_reason
 * @property string $length
 * @property int $renewals
 * @property-read Card|null $card
 * @property-read Title $title
 */
final class Loan extends Model
{
    public $timestamps = false;

    protected $table = 'loans';

    protected $guarded = [];

    protected $casts = [
        'started_at' => 'immutable_datetime',
        'due_at' => 'immutable_datetime',
        'ended_at' => 'immutable_datetime',
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

    /** @return BelongsTo<Licence, $this> */
    public function licence(): BelongsTo
    {
        return $this->belongsTo(Licence::class);
    }

    /** @return HasMany<PreparedFile, $this> */
    public function preparedFiles(): HasMany
    {
        return $this->hasMany(PreparedFile::class);
    }

    /** A loan past its due time is over, whether or not the scheduler has come by to write it down. */
    public function isOpen(DateTimeInterface $now): bool
    {
        return $this->ended_at === null && $this->due_at > $now;
    }
}

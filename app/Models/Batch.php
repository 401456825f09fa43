<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use FigPorch\Core\Desk\BatchAction;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A change of many titles at once: looked at, done, perhaps undone.
 *
 * @property int $id
 * @property int $library_id
 * @property int $staff_member_id
 * @property BatchAction $what
 * @property array<string, mixed> $facts of what is to be done, as its form has them
 * @property string $chosen how its titles were chosen, in words
 * @property string $stage looked, applying, applied, undoing or undone
 * @property CarbonImmutable $asked_at
 * @property CarbonImmutable|null $applied_at
 * @property CarbonImmutable|null $undone_at
 * @property-read Library $library
 * @property-read StaffMember $member
 */
final class Batch extends Model
{
    use OfLibraryAndMember;

    public $timestamps = false;

    protected $guarded = [];

    protected $casts = [
        'what' => BatchAction::class,
        'facts' => 'array',
        'asked_at' => 'immutable_datetime',
        'applied_at' => 'immutable_datetime',
        'undone_at' => 'immutable_datetime',
    ];

    /** @return HasMany<BatchRow, $this> */
    public function rows(): HasMany
    {
        return $this->hasMany(BatchRow::class);
    }

    public function isAtWork(): bool
    {
        return in_array($this->stage, ['applying', 'undoing'], true);
    }
}

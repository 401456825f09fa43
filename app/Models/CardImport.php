<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A file of patrons: read, looked at, taken in, perhaps undone.
 *
 * @property int $id
 * @property int $library_id
 * @property int $staff_member_id
 * @property string $name of the file
 * @property array{group: string, expires: string|null, leavers: string|null, locale?: string,
 *     unused?: list<string>} $settings
 * @property string $stage reading, unreadable, read, applying, applied, undoing or undone
 * @property string|null $problem why it is unreadable
 * @property array<string, int|string>|null $problem_facts
 * @property CarbonImmutable $asked_at
 * @property CarbonImmutable|null $applied_at
 * @property CarbonImmutable|null $undone_at
 * @property-read Library $library
 * @property-read StaffMember $member
 */
final class CardImport extends Model
{
    use OfLibraryAndMember;

    public $timestamps = false;

    protected $table = 'card_imports';

    protected $guarded = [];

    protected $casts = [
        'settings' => 'array',
        'problem_facts' => 'array',
        'asked_at' => 'immutable_datetime',
        'applied_at' => 'immutable_datetime',
        'undone_at' => 'immutable_datetime',
    ];

    /** @return HasMany<CardImportRow, $this> */
    public function rows(): HasMany
    {
        return $this->hasMany(CardImportRow::class);
    }

    public function isAtWork(): bool
    {
        return in_array($this->stage, ['reading', 'applying', 'undoing'], true);
    }
}

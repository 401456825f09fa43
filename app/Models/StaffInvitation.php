<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use FigPorch\Core\Desk\StaffRole;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Somebody has been asked to work at a library, and has not come yet.
 *
 * @property int $id
 * @property int $library_id
 * @property string $email
 * @property StaffRole $role
 * @property string $key_hash
 * @property int $invited_by
 * @property CarbonImmutable $invited_at
 * @property-read Library $library
 * @property-read StaffMember $inviter
 */
final class StaffInvitation extends Model
{
    public const DAYS = 7;

    public $timestamps = false;

    protected $table = 'staff_invitations';

    protected $guarded = [];

    protected $casts = ['role' => StaffRole::class, 'invited_at' => 'immutable_datetime'];

    /** @return BelongsTo<Library, $this> */
    public function library(): BelongsTo
    {
        return $this->belongsTo(Library::class);
    }

    /** @return BelongsTo<StaffMember, $this> */
    public function inviter(): BelongsTo
    {
        return $this->belongsTo(StaffMember::class, 'invited_by');
    }

    public function isOver(CarbonImmutable $now): bool
    {
        return $this->invited_at->addDays(self::DAYS) <= $now;
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use FigPorch\Core\Desk\StaffRole;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What somebody is at a library.
 *
 * @property int $staff_member_id
 * @property int $library_id
 * @property StaffRole $role
 * @property-read Library $library
 * @property-read StaffMember $member
 */
final class StaffPost extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $table = 'staff_posts';

    protected $primaryKey = 'staff_member_id';

    protected $guarded = [];

    protected $casts = ['role' => StaffRole::class];

    /** @return BelongsTo<Library, $this> */
    public function library(): BelongsTo
    {
        return $this->belongsTo(Library::class);
    }

    /** @return BelongsTo<StaffMember, $this> */
    public function member(): BelongsTo
    {
        return $this->belongsTo(StaffMember::class, 'staff_member_id');
    }
}

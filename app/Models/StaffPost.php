<?php

declare(strict_types=1);

namespace App\Models;

use FigPorch\Core\Desk\StaffRole;

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
    use OfLibraryAndMember;

    public $timestamps = false;

    public $incrementing = false;

    protected $table = 'staff_posts';

    protected $primaryKey = 'staff_member_id';

    protected $guarded = [];

    protected $casts = ['role' => StaffRole::class];
}

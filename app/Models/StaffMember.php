<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Foundation\Auth\User;

/**
 * Somebody who works at a library, and sees and changes what is that library's alone.
 *
 * @property int $id
 * @property int $library_id
 * @property string $name
 * @property string $email
 * @property string $password hash
 * @property-read Library $library
 */
final class StaffMember extends User
{
    public $timestamps = false;

    protected $table = 'staff_members';

    protected $guarded = [];

    protected $hidden = ['password', 'remember_token'];

    /** @return BelongsTo<Library, $this> */
    public function library(): BelongsTo
    {
        return $this->belongsTo(Library::class);
    }
}

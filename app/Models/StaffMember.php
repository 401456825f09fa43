<?php

declare(strict_types=1);

namespace App\Models;

use FigPorch\Core\Desk\StaffRole;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Foundation\Auth\User;

/**
 * Somebody who works at one library or more, and sees and changes what is that library's alone.
 *
 * @property int $id
 * @property int $library_id where they are now, of those where they have a post
 * @property string $name
 * @property string $email
 * @property string $password hash
 * @property string|null $second_factor the secret of one-time codes, encrypted
 * @property int|null $second_factor_step of the last code that was taken
 * @property list<string>|null $recovery_codes hashes of those that are left
 * @property-read Library $library
 * @property-read Collection<int, StaffPost> $posts
 */
final class StaffMember extends User
{
    public $timestamps = false;

    protected $table = 'staff_members';

    protected $guarded = [];

    protected $hidden = ['password', 'remember_token', 'second_factor', 'recovery_codes'];

    protected $casts = ['recovery_codes' => 'array'];

    /** @return BelongsTo<Library, $this> */
    public function library(): BelongsTo
    {
        return $this->belongsTo(Library::class);
    }

    /** @return HasMany<StaffPost, $this> */
    public function posts(): HasMany
    {
        return $this->hasMany(StaffPost::class);
    }

    /** What they are where they are now; null where they have left. */
    public function role(): ?StaffRole
    {
        return $this->posts->firstWhere('library_id', $this->library_id)?->role;
    }

    /** Somewhere else from now on, for this request; null where they have no post there. */
    public function goTo(int $libraryId): ?StaffRole
    {
        if ($libraryId !== $this->library_id) {
            $this->setAttribute('library_id', $libraryId)->syncOriginalAttribute('library_id');
            $this->unsetRelation('library');
        }

        return $this->role();
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsToMany;

/**
 * A list of titles of a patron's own; baskets hold baskets.
 *
 * @property int $id
 * @property int|null $person_id
 * @property string|null $browser_key whose it is before anyone has signed in
 * @property int|null $parent_id
 * @property string $name
 * @property string|null $note
 * @property int $position
 * @property string|null $share_key secret part of the address by which others may see it
 */
final class Basket extends Model
{
    public $timestamps = false;

    protected $table = 'baskets';

    protected $guarded = [];

    protected $hidden = ['share_key', 'browser_key'];

    /** @return BelongsToMany<Title, $this> */
    public function titles(): BelongsToMany
    {
        return $this->belongsToMany(Title::class)
            ->withPivot(['position', 'note', 'added_at'])
            ->orderByPivot('position')
            ->orderByPivot('title_id');
    }
}

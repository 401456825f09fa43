<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;

/**
 * @property int $id
 * @property int $library_id
 * @property string $name
 * @property string|null $note
 */
final class StaffList extends Model
{
    public $timestamps = false;

    protected $table = 'staff_lists';

    protected $guarded = [];

    /** @return BelongsToMany<Title, $this> */
    public function titles(): BelongsToMany
    {
        return $this->belongsToMany(Title::class)->withPivot('position')->orderByPivot('position');
    }
}

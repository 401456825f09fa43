<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsToMany;

/**
 * @property int $id
 * @property int $library_id
 * @property string $name
 * @property string|null $note
 * @property string $room by its name in addresses
 * @property string|null $words a list made by a search; without, by hand
 * @property string|null $shows_from first day, as year-month-day
 * @property string|null $shows_until last day
 * @property int $position
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

<?php

declare(strict_types=1);

namespace App\Models;

use FigPorch\Core\Catalogue\Room;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;

/**
 * @property int $id
 * @property int $library_id
 * @property string $name
 * @property string|null $note
 * @property Room $room
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

    protected $casts = ['room' => Room::class];

    /** @return BelongsToMany<Title, $this> */
    public function titles(): BelongsToMany
    {
        return $this->belongsToMany(Title::class)->withPivot('position')->orderByPivot('position');
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A title for the pupils of a class between two days.
 *
 * @property int $id
 * @property int $class_id
 * @property int $title_id
 * @property string $first_day "2026-12-01", by the library's calendar
 * @property string $last_day
 * @property int $borrowed loans of it by the class in these days
 * @property-read Title $title
 * @property-read SchoolClass $schoolClass
 */
final class ClassSet extends Model
{
    public $timestamps = false;

    protected $table = 'class_sets';

    protected $guarded = [];

    /** @return BelongsTo<Title, $this> */
    public function title(): BelongsTo
    {
        return $this->belongsTo(Title::class);
    }

    /** @return BelongsTo<SchoolClass, $this> */
    public function schoolClass(): BelongsTo
    {
        return $this->belongsTo(SchoolClass::class, 'class_id');
    }
}

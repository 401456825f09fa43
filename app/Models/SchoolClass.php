<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Pupils of a teacher.
 *
 * @property int $id
 * @property int $card_id of the teacher
 * @property int $library_id
 * @property string $name
 * @property string $code by which pupils join
 * @property CarbonImmutable $made_at
 * @property string $ends_on "2027-07-31", by the library's calendar
 * @property-read Card $teacher
 * @property-read Library $library
 */
final class SchoolClass extends Model
{
    public $timestamps = false;

    protected $table = 'classes';

    protected $guarded = [];

    protected $casts = ['made_at' => 'immutable_datetime'];

    /** @return BelongsTo<Card, $this> */
    public function teacher(): BelongsTo
    {
        return $this->belongsTo(Card::class, 'card_id');
    }

    /** @return BelongsTo<Library, $this> */
    public function library(): BelongsTo
    {
        return $this->belongsTo(Library::class);
    }

    /** @return BelongsToMany<Card, $this> */
    public function members(): BelongsToMany
    {
        return $this->belongsToMany(Card::class, 'class_members', 'class_id', 'card_id');
    }

    /** @return HasMany<ClassSet, $this> */
    public function sets(): HasMany
    {
        return $this->hasMany(ClassSet::class, 'class_id');
    }
}

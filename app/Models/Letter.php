<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property int $id
 * @property int $library_id
 * @property int|null $person_id null where whoever wrote had not signed in
 * @property string $name
 * @property string|null $email where the answer goes then
 * @property string $locale
 * @property string $about what they were doing, as they saw it before they sent it
 * @property bool $waits for an answer
 * @property CarbonImmutable $last_at
 * @property-read Library $library
 * @property-read Collection<int, LetterPart> $parts
 */
final class Letter extends Model
{
    public $timestamps = false;

    protected $table = 'letters';

    protected $guarded = [];

    protected $casts = ['waits' => 'boolean', 'last_at' => 'immutable_datetime'];

    /** @return BelongsTo<Library, $this> */
    public function library(): BelongsTo
    {
        return $this->belongsTo(Library::class);
    }

    /** @return HasMany<LetterPart, $this> */
    public function parts(): HasMany
    {
        return $this->hasMany(LetterPart::class)->orderBy('id');
    }
}

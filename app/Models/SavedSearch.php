<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A search that a person keeps, to be told when something new fits it.
 *
 * @property int $id
 * @property int $person_id
 * @property int $library_id
 * @property string $name
 * @property array<string, string> $search values of a query string
 * @property bool $tells
 * @property CarbonImmutable $looked_at until when it has been looked for
 * @property-read Person $person
 * @property-read Library $library
 */
final class SavedSearch extends Model
{
    public $timestamps = false;

    protected $table = 'saved_searches';

    protected $guarded = [];

    protected $casts = ['search' => 'array', 'tells' => 'boolean', 'looked_at' => 'immutable_datetime'];

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    /** @return BelongsTo<Library, $this> */
    public function library(): BelongsTo
    {
        return $this->belongsTo(Library::class);
    }

    /** The search as an address. */
    public function address(): string
    {
        return '/catalogue?' .
            http_build_query(['library' => $this->library->slug, ...$this->search], encoding_type: PHP_QUERY_RFC3986);
    }
}

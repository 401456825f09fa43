<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Identifier;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;

/**
 * One edition in one format: the thing that is borrowed.
 *
 * @property int $id
 * @property int $work_id
 * @property string $record_key
 * @property Format $format
 * @property string $name
 * @property string|null $subtitle
 * @property string|null $edition
 * @property string|null $language
 * @property Audience $audience
 * @property string|null $description
 * @property string|null $publisher
 * @property string|null $published year, year-month or whole ISO 8601 date
 * @property string|null $isbn
 * @property list<string> $identifiers as the record gives them
 * @property int|null $series_id
 * @property string|null $series_position
 * @property int $extent pages, tracks or seconds, as the format counts
 * @property int|null $extent_seconds
 * @property array<string, list<string>> $accessibility
 * @property list<string> $awards
 * @property list<string> $works identifiers of its work, as its record gives them
 * @property list<string>|null $edited_fields in which the word of staff stands
 * @property string|null $work_said match_key of its work, where staff said it; else its record decides
 * @property float|null $level reading grade level
 * @property bool|null $fiction null where the record does not say
 * @property int|null $age_from
 * @property int|null $age_to
 * @property string|null $cover_file the one that is shown
 * @property string|null $file_cover the one that came in the file
 * @property string|null $own_cover the one that staff sent
 * @property int $times_borrowed
 * @property CarbonImmutable $added_at
 * @property-read Collection<int, Contributor> $contributors
 * @property-read Collection<int, Subject> $subjects
 * @property-read Series|null $series
 * @property-read Publication|null $publication
 * @property bool|null $publication_exists as loadExists('publication') gives it
 */
final class Title extends Model
{
    public $timestamps = false;

    /** @var list<array{string, string}>|null role and name */
    private ?array $people = null;

    private ?string $seriesName = null;

    /** @var array<int, string>|null */
    private ?array $subjectNames = null;

    protected $table = 'titles';

    protected $guarded = [];

    protected $casts = [
        'format' => Format::class,
        'audience' => Audience::class,
        'identifiers' => 'array',
        'awards' => 'array',
        'works' => 'array',
        'edited_fields' => 'array',
        'level' => 'float',
        'fiction' => 'boolean',
        'series_position' => 'decimal:2',
        'accessibility' => 'array',
        'added_at' => 'immutable_datetime',
    ];

    /** @return BelongsToMany<Contributor, $this> */
    public function contributors(): BelongsToMany
    {
        return $this->belongsToMany(Contributor::class)
            ->withPivot(['role', 'position'])
            ->orderByPivot('position');
    }

    /** @return BelongsToMany<Subject, $this> */
    public function subjects(): BelongsToMany
    {
        return $this->belongsToMany(Subject::class)->orderBy('name');
    }

    /** @return BelongsTo<Series, $this> */
    public function series(): BelongsTo
    {
        return $this->belongsTo(Series::class);
    }

    /** @return HasOne<Publication, $this> */
    public function publication(): HasOne
    {
        return $this->hasOne(Publication::class);
    }

    /** @return HasMany<Licence, $this> */
    public function licences(): HasMany
    {
        return $this->hasMany(Licence::class);
    }

    /** @return list<Identifier> its standard numbers, each once */
    public function standardNumbers(): array
    {
        return array_values(
            collect($this->identifiers)
                ->push((string) $this->isbn)
                ->map(fn(string $text): ?Identifier => Identifier::parse($text))
                ->filter()
                ->unique('number')
                ->all(),
        );
    }

    public function year(): ?string
    {
        return $this->published === null ? null : substr($this->published, 0, 4);
    }

    /**
     * The names that a list shows, for a title whose relations are not loaded.
     *
     * @param  list<array{string, string}>  $people  role and name, in order
     * @param  array<int, string>  $subjects  by id
     */
    public function giveNames(array $people, ?string $series, array $subjects): void
    {
        [$this->people, $this->seriesName, $this->subjectNames] = [$people, $series, $subjects];
    }

    /** Whether the library has a file of it, to be opened in the browser. */
    public function opens(): bool
    {
        return $this->publication_exists ?? $this->publication()->exists();
    }

    /** What withExists('publication') would tell; no column, so it is never written. */
    public function knowWhetherItOpens(bool $hasFile): void
    {
        $this->publication_exists = $hasFile;
        $this->syncOriginalAttribute('publication_exists');
    }

    /** @return list<string> names of those with the role, in order */
    public function namesOf(string $role): array
    {
        return array_column(array_filter($this->people(), fn(array $person): bool => $person[0] === $role), 1);
    }

    /** @return list<array{string, string}> role and name, in order */
    public function people(): array
    {
        return $this->people ??= array_values(
            $this->contributors->map(fn(Contributor $c): array => [$c->pivot->role, $c->name])->all(),
        );
    }

    public function seriesName(): ?string
    {
        return $this->seriesName ??
            ($this->people === null || $this->relationLoaded('series') ? $this->series?->name : null);
    }

    /** @return array<int, string> by id, in the order of their names */
    public function subjectNames(): array
    {
        return $this->subjectNames ??= $this->subjects->pluck('name', 'id')->all();
    }
}

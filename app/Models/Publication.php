<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;

/**
 * The files of a title, unpacked under storage/publications/<sha256>/{whole,excerpt}.
 *
 * @property int $id
 * @property int $title_id
 * @property string $sha256
 * @property string $media_type
 * @property int $bytes
 * @property bool $fixed_layout
 * @property bool $right_to_left
 * @property array<string, int> $sizes path => bytes
 * @property array<string, string> $types path => media type
 * @property list<array{string, int}> $positions path and number of positions, in reading order
 * @property list<array{0: int, 1: string, 2?: int|null, 3?: int}> $contents depth, label, document (of what plays,
 *     part) and offset of each entry
 * @property list<int> $lengths bytes of text of each document in the reading order
 * @property list<array{string, int, int}> $page_list label, document and offset of each page of its own list
 * @property list<array{path: string, type: string, name: string, seconds: float, captions: list<array{path: string,
 *     language: string, label: string}>}>|null $parts of sound or video, in the order in which they play
 * @property list<array{path: string, type: string, name: string, seconds: float, captions: list<array{path: string,
 *     language: string, label: string}>}>|null $excerpt_parts
 * @property CarbonImmutable $came_at when the title's first file came
 * @property array<string, int> $excerpt_sizes
 * @property list<array{string, int}> $excerpt_positions
 */
final class Publication extends Model
{
    public const EPUB = 'application/epub+zip';

    public const PDF = 'application/pdf';

    public $timestamps = false;

    /** @var array<string, array{string, mixed}> by attribute: as it is kept, and what that is */
    private array $decoded = [];

    protected $table = 'publications';

    protected $guarded = [];

    protected $casts = [
        'came_at' => 'immutable_datetime',
        'fixed_layout' => 'boolean',
        'right_to_left' => 'boolean',
        'sizes' => 'array',
        'types' => 'array',
        'positions' => 'array',
        'contents' => 'array',
        'lengths' => 'array',
        'page_list' => 'array',
        'parts' => 'array',
        'excerpt_parts' => 'array',
        'excerpt_sizes' => 'array',
        'excerpt_positions' => 'array',
    ];

    /**
     * What is kept as JSON is read once: Laravel reads it at each look, and a long book has thousands of files.
     *
     * @param  string  $key
     * @param  mixed  $value
     */
    protected function castAttribute($key, $value): mixed
    {
        if (!is_string($value) || ($this->casts[$key] ?? '') !== 'array') {
            return parent::castAttribute($key, $value);
        }
        if (($this->decoded[$key][0] ?? null) !== $value) {
            $this->decoded[$key] = [$value, parent::castAttribute($key, $value)];
        }

        return $this->decoded[$key][1];
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A place that a person marked, with what they wrote beside it.
 *
 * @property string $id a UUID
 * @property int $person_id
 * @property int $title_id
 * @property array{href: string, type: string, locations: array<string, mixed>} $locator
 * @property string $label
 * @property string $note
 * @property CarbonImmutable $made_at
 * @property CarbonImmutable $changed_at
 * @property bool $removed
 * @property-read Title $title
 */
final class Bookmark extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $keyType = 'string';

    protected $table = 'bookmarks';

    protected $guarded = [];

    protected $casts = ['locator' => 'array', 'made_at' => 'immutable_datetime', 'changed_at' => 'immutable_datetime'];

    /** @return BelongsTo<Title, $this> */
    public function title(): BelongsTo
    {
        return $this->belongsTo(Title::class);
    }
}

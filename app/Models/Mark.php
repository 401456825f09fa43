<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A place that a person bookmarked or a text that they highlighted, with what they wrote beside it.
 *
 * @property string $id a UUID
 * @property int $person_id
 * @property int $title_id
 * @property array{href: string, type: string, locations: array<string, mixed>, text?: array<string, string>} $locator
 * @property string $label
 * @property string $note
 * @property string|null $colour of a highlight
 * @property CarbonImmutable $made_at
 * @property CarbonImmutable $changed_at
 * @property bool $removed
 * @property-read Title $title
 */
final class Mark extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $keyType = 'string';

    protected $table = 'marks';

    protected $guarded = [];

    protected $casts = ['locator' => 'array', 'made_at' => 'immutable_datetime', 'changed_at' => 'immutable_datetime'];

    /** @return BelongsTo<Title, $this> */
    public function title(): BelongsTo
    {
        return $this->belongsTo(Title::class);
    }
}

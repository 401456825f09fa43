<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use FigPorch\Core\Account\MessageReach;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $id
 * @property int $library_id
 * @property array<string, array{title: string, text: string}> $texts by language; the text is Markdown
 * @property list<string> $rooms
 * @property list<string> $groups
 * @property bool $is_important
 * @property string $first_day
 * @property string|null $last_day
 * @property CarbonImmutable|null $told_at
 * @property-read Library $library
 */
final class Message extends Model
{
    public $timestamps = false;

    protected $table = 'messages';

    protected $guarded = [];

    protected $casts = [
        'texts' => 'array',
        'rooms' => 'array',
        'groups' => 'array',
        'is_important' => 'boolean',
        'told_at' => 'immutable_datetime',
    ];

    protected $attributes = ['texts' => '{}', 'rooms' => '[]', 'groups' => '[]', 'is_important' => false];

    /** @return BelongsTo<Library, $this> */
    public function library(): BelongsTo
    {
        return $this->belongsTo(Library::class);
    }

    public function reach(): MessageReach
    {
        return new MessageReach($this->rooms, $this->groups, $this->first_day, $this->last_day);
    }

    /** @return array{title: string, text: string} in a language, or in the first that it is written in */
    public function in(string $locale): array
    {
        return $this->texts[$locale] ?? (array_values($this->texts)[0] ?? ['title' => '', 'text' => '']);
    }

    /** The language that in() takes. */
    public function language(string $locale): string
    {
        return isset($this->texts[$locale]) ? $locale : array_key_first($this->texts) ?? $locale;
    }
}

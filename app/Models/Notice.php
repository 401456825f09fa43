<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $id
 * @property int $person_id
 * @property string $kind
 * @property string $event_key
 * @property array<string, string|int> $facts
 * @property CarbonImmutable $created_at
 * @property CarbonImmutable|null $read_at
 * @property CarbonImmutable|null $mailed_at
 * @property-read Person $person
 */
final class Notice extends Model
{
    public $timestamps = false;

    protected $table = 'notices';

    protected $guarded = [];

    protected $casts = [
        'facts' => 'array',
        'created_at' => 'immutable_datetime',
        'read_at' => 'immutable_datetime',
        'mailed_at' => 'immutable_datetime',
    ];

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }
}

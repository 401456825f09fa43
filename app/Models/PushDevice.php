<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A browser that shows notices of a person.
 *
 * @property int $id
 * @property int $person_id
 * @property string $endpoint
 * @property string $key the browser's point on P-256, base64url
 * @property string $secret 16 bytes, base64url
 * @property CarbonImmutable $added_at
 * @property CarbonImmutable|null $told_at
 * @property-read Person $person
 */
final class PushDevice extends Model
{
    public $timestamps = false;

    protected $table = 'push_devices';

    protected $guarded = [];

    protected $casts = ['added_at' => 'immutable_datetime', 'told_at' => 'immutable_datetime'];

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }
}

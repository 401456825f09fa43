<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;

/**
 * Where a person is in a title on one device.
 *
 * @property int $person_id
 * @property int $title_id
 * @property string $device
 * @property string $device_name
 * @property array<string, mixed> $locator a Readium Locator
 * @property CarbonImmutable $read_at
 */
final class Place extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $table = 'places';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected $casts = ['locator' => 'array', 'read_at' => 'immutable_datetime'];

    /** The page's own label, from a fragment "page=…". */
    public function page(): ?string
    {
        $locations = $this->locator['locations'] ?? null;
        foreach (
            is_array($locations) && is_array($locations['fragments'] ?? null) ? $locations['fragments'] : []
            as $fragment
        ) {
            if (is_string($fragment) && str_starts_with($fragment, 'page=')) {
                return substr($fragment, 5);
            }
        }

        return null;
    }

    /** How far through the publication, 0 to 1. */
    public function fraction(): float
    {
        $locations = $this->locator['locations'] ?? null;
        $value = is_array($locations) ? $locations['totalProgression'] ?? 0 : 0;

        return is_numeric($value) ? max(0.0, min(1.0, (float) $value)) : 0.0;
    }
}

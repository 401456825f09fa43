<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;

/**
 * A file that staff send, part by part.
 *
 * @property string $id
 * @property int $library_id
 * @property int $staff_member_id
 * @property string $name as it was called where it came from
 * @property int $bytes
 * @property int $received
 * @property CarbonImmutable $begun_at
 */
final class Upload extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $keyType = 'string';

    protected $table = 'uploads';

    protected $guarded = [];

    protected $casts = ['begun_at' => 'immutable_datetime'];

    public function isWhole(): bool
    {
        return $this->received === $this->bytes;
    }

    public function path(): string
    {
        return storage_path("uploads/{$this->id}");
    }
}

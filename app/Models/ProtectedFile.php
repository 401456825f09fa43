<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;

/**
 * A publication, encrypted once for all who borrow it.
 *
 * @property string $sha256 of the publication as it came
 * @property string $content_key 64 digits of base 16
 * @property string|null $path below storage/publications; null until it is made
 * @property int|null $bytes
 * @property string|null $protected_sha256
 * @property CarbonImmutable|null $made_at
 */
final class ProtectedFile extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $table = 'protected_files';

    protected $primaryKey = 'sha256';

    protected $keyType = 'string';

    protected $guarded = [];

    protected $hidden = ['content_key'];

    protected $casts = ['content_key' => 'encrypted', 'made_at' => 'immutable_datetime'];

    public function isThere(): bool
    {
        return $this->path !== null && is_file($this->place());
    }

    public function place(): string
    {
        return storage_path("publications/{$this->path}");
    }
}

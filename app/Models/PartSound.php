<?php

declare(strict_types=1);

namespace App\Models;

/**
 * What was measured of a part of sound or video: see FigPorch\Core\Reading\Media\Sound.
 *
 * @property string $sha256 of the publication's file
 * @property string $path
 * @property float|null $loudness LUFS
 * @property float|null $peak dBTP
 * @property list<array{float, float}> $silences
 */
final class PartSound extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $table = 'part_sounds';

    protected $primaryKey = 'path';

    protected $keyType = 'string';

    protected $guarded = [];

    protected $casts = ['loudness' => 'float', 'peak' => 'float', 'silences' => 'array'];
}

<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A part of a library's money for licences.
 *
 * @property int $id
 * @property int $library_id
 * @property string $name
 * @property bool $closed nothing more is ordered from it
 */
final class Fund extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $casts = ['closed' => 'boolean'];
}

<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property int $id
 * @property string $name
 */
final class Series extends Model
{
    public $timestamps = false;

    protected $table = 'series';

    protected $guarded = [];
}

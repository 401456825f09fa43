<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property int $id
 * @property string $name
 * @property string $match_key folded name and first contributor, or what staff said
 */
final class Work extends Model
{
    public $timestamps = false;

    protected $table = 'works';

    protected $guarded = [];
}

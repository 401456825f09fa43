<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\Pivot;

/**
 * @property int $id
 * @property string $name
 * @property string $sort_name
 * @property-read Pivot&object{role: string} $pivot
 */
final class Contributor extends Model
{
    public $timestamps = false;

    protected $table = 'contributors';

    protected $guarded = [];
}

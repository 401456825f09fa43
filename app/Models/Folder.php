<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;

/**
 * A person's folder elsewhere, in which files can be kept (WebDAV).
 *
 * @property int $person_id
 * @property string $address https, with a stroke at its end
 * @property string $name
 * @property string $secret
 * @property CarbonImmutable $kept_at
 */
final class Folder extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $table = 'folders';

    protected $primaryKey = 'person_id';

    protected $guarded = [];

    protected $hidden = ['secret'];

    protected $casts = ['secret' => 'encrypted', 'kept_at' => 'immutable_datetime'];
}

<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;

/**
 * The mail address of a person's e-reader. It is written to once it has been confirmed with the code that was sent
 * there.
 *
 * @property int $person_id
 * @property string $address
 * @property string|null $code_hash
 * @property int $tries
 * @property CarbonImmutable $asked_at
 * @property CarbonImmutable|null $confirmed_at
 */
final class EReader extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $table = 'e_readers';

    protected $primaryKey = 'person_id';

    protected $guarded = [];

    protected $hidden = ['code_hash'];

    protected $casts = ['asked_at' => 'immutable_datetime', 'confirmed_at' => 'immutable_datetime'];
}

<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;

/**
 * What opens the protected files of a person.
 *
 * @property int $person_id
 * @property string $user_key as core/Exchange/Lcp/Passphrase makes it
 * @property string $hint
 * @property CarbonImmutable $kept_at
 */
final class Passphrase extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $table = 'passphrases';

    protected $primaryKey = 'person_id';

    protected $guarded = [];

    protected $hidden = ['user_key'];

    protected $casts = ['user_key' => 'encrypted', 'kept_at' => 'immutable_datetime'];
}

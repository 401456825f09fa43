<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;

/**
 * What happened with a protected loan.
 *
 * @property int $id
 * @property string $protected_loan_id
 * @property string $kind register, renew or return
 * @property string|null $device_id null where it happened here
 * @property string|null $device_name
 * @property CarbonImmutable $happened_at
 */
final class ProtectedLoanEvent extends Model
{
    public $timestamps = false;

    protected $table = 'protected_loan_events';

    protected $guarded = [];

    protected $casts = ['happened_at' => 'immutable_datetime'];
}

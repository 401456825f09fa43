<?php

declare(strict_types=1);

namespace App\Models;

use DateTimeZone;

/**
 * @property int $id
 * @property int|null $consortium_id
 * @property string $slug
 * @property string $name
 * @property string $short_name
 * @property string $place
 * @property string $timezone
 * @property int $pay_per_loan_budget_cents for each month that has none of its own
 * @property string $pin_contact whom to ask for a lost PIN
 */
final class Library extends Model
{
    public $timestamps = false;

    protected $table = 'libraries';

    protected $guarded = [];

    public function zone(): DateTimeZone
    {
        return new DateTimeZone($this->timezone);
    }

    public function getRouteKeyName(): string
    {
        return 'slug';
    }
}

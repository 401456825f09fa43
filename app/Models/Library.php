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
 * @property string $currency ISO 4217, of its prices and budgets
 * @property int $budget_month with which its budget year begins
 * @property string $edi_number by which its supplier knows it in EDIFACT orders
 * @property string $edi_supplier the supplier's own
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

<?php

declare(strict_types=1);

namespace App\Models;

use DateTimeZone;
use FigPorch\Core\Account\QuietHours;
use FigPorch\Core\Look\Colour;
use FigPorch\Core\Look\LibraryLook;

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
 * @property list<string> $languages that its pages are offered in; the first for who chooses none
 * @property string|null $quiet_from "21:00:00", from when on no notice is mailed or pushed
 * @property string|null $quiet_until
 * @property string $symbology of the barcode on its cards
 * @property bool $shares new licences are shared with the consortium unless it is said
 * @property string|null $roof_colour "#1f4b56"
 * @property string|null $door_colour
 * @property string|null $logo SHA-256 of its picture
 * @property array<mixed>|null $front_rows as FrontRow reads them
 * @property string|null $mail_domain by which its people find it
 * @property string $pin_contact whom to ask for a lost PIN
 */
final class Library extends Model
{
    public $timestamps = false;

    protected $table = 'libraries';

    protected $guarded = [];

    protected $casts = ['languages' => 'array', 'shares' => 'boolean', 'front_rows' => 'array'];

    /** As the table has them, for one that has just been made. */
    protected $attributes = ['languages' => '["en", "es"]', 'shares' => false, 'symbology' => 'code128'];

    public function zone(): DateTimeZone
    {
        return new DateTimeZone($this->timezone);
    }

    public function quietHours(): ?QuietHours
    {
        return $this->quiet_from === null || $this->quiet_until === null
            ? null
            : new QuietHours(substr($this->quiet_from, 0, 5), substr($this->quiet_until, 0, 5), $this->zone());
    }

    /** Its own colours; null for Fig Porch's. */
    public function look(): ?LibraryLook
    {
        $roof = Colour::parse((string) $this->roof_colour);
        $door = Colour::parse((string) $this->door_colour);

        return $roof === null || $door === null ? null : new LibraryLook($roof, $door);
    }

    public function getRouteKeyName(): string
    {
        return 'slug';
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use FigPorch\Core\Desk\OrderState;
use FigPorch\Core\Lending\DownloadRight;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\Rights;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A licence that a library means to buy, has ordered or has received.
 *
 * @property int $id
 * @property int $library_id
 * @property int $title_id
 * @property int $fund_id
 * @property int $year of the budget
 * @property int|null $licence_id that it became
 * @property LicenceModel $model
 * @property int $quantity
 * @property int|null $copies of one
 * @property int|null $loans of one
 * @property int|null $months that one runs for, from when it comes
 * @property int $unit_cents
 * @property string $currency
 * @property bool $shared
 * @property int|null $pages_allowed
 * @property bool $chapters_as_pdf
 * @property bool $offline
 * @property DownloadRight $download
 * @property string $note
 * @property OrderState $state
 * @property int $staff_member_id
 * @property string $form
 * @property CarbonImmutable $noted_at
 * @property CarbonImmutable|null $ordered_at
 * @property CarbonImmutable|null $ended_at
 * @property-read Title $title
 * @property-read Fund $fund
 * @property-read StaffMember $member
 */
final class Order extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $casts = [
        'model' => LicenceModel::class,
        'state' => OrderState::class,
        'shared' => 'boolean',
        'chapters_as_pdf' => 'boolean',
        'offline' => 'boolean',
        'download' => DownloadRight::class,
        'noted_at' => 'immutable_datetime',
        'ordered_at' => 'immutable_datetime',
        'ended_at' => 'immutable_datetime',
    ];

    /** @return BelongsTo<Title, $this> */
    public function title(): BelongsTo
    {
        return $this->belongsTo(Title::class);
    }

    /** @return BelongsTo<Fund, $this> */
    public function fund(): BelongsTo
    {
        return $this->belongsTo(Fund::class);
    }

    /** @return BelongsTo<StaffMember, $this> */
    public function member(): BelongsTo
    {
        return $this->belongsTo(StaffMember::class, 'staff_member_id');
    }

    public function cents(): int
    {
        return $this->quantity * $this->unit_cents;
    }

    public function rights(): Rights
    {
        return new Rights($this->pages_allowed, $this->chapters_as_pdf, $this->offline, $this->download);
    }
}

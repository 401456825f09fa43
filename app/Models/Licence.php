<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use FigPorch\Core\Lending\DownloadRight;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\Rights;

/**
 * @property int $id
 * @property int $library_id
 * @property int $title_id
 * @property LicenceModel $model
 * @property int|null $copies
 * @property int|null $copies_free
 * @property int|null $loans_bought
 * @property int|null $loans_left
 * @property CarbonImmutable $starts_at
 * @property CarbonImmutable|null $ends_at
 * @property int $price_cents
 * @property bool $shared
 * @property int|null $pages_allowed
 * @property bool $chapters_as_pdf
 * @property bool $offline
 * @property DownloadRight $download
 */
final class Licence extends Model
{
    public $timestamps = false;

    protected $table = 'licences';

    protected $guarded = [];

    protected $casts = [
        'model' => LicenceModel::class,
        'starts_at' => 'immutable_datetime',
        'ends_at' => 'immutable_datetime',
        'shared' => 'boolean',
        'chapters_as_pdf' => 'boolean',
        'offline' => 'boolean',
        'download' => DownloadRight::class,
    ];

    public function rights(): Rights
    {
        return new Rights($this->pages_allowed, $this->chapters_as_pdf, $this->offline, $this->download);
    }
}

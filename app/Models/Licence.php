<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use FigPorch\Core\Lending\LicenceModel;

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
 * @property bool $shared
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
    ];
}

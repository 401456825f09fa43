<?php

declare(strict_types=1);

namespace App\Models;

/**
 * Days on which nobody is at a library's desk; lending goes on.
 *
 * @property int $id
 * @property int $library_id
 * @property string $first_day "2026-12-24", by the library's calendar
 * @property string $last_day
 * @property string $name
 */
final class ClosedDays extends Model
{
    public $timestamps = false;

    protected $table = 'closed_days';

    protected $guarded = [];
}

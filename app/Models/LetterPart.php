<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;

/**
 * What one side wrote at a time.
 *
 * @property int $id
 * @property int $letter_id
 * @property bool $by_staff
 * @property int|null $staff_member_id
 * @property string $text
 * @property CarbonImmutable $written_at
 */
final class LetterPart extends Model
{
    public $timestamps = false;

    protected $table = 'letter_parts';

    protected $guarded = [];

    protected $casts = ['by_staff' => 'boolean', 'written_at' => 'immutable_datetime'];
}

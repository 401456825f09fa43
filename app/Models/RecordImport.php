<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\OpenTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A file of catalogue records: read, looked at, taken in.
 *
 * @property int $id
 * @property int $library_id
 * @property int $staff_member_id
 * @property string $name of the file
 * @property string|null $terms of the licence that each title gets which the library has none of
 * @property array<string, string>|null $columns of a table, ours by what they are called there
 * @property OpenTo|null $links what has an address is a website, for these
 * @property string $stage reading, unreadable, read, applying or applied
 * @property string|null $problem why it is unreadable
 * @property CarbonImmutable $asked_at
 * @property CarbonImmutable|null $applied_at
 * @property-read Library $library
 * @property-read StaffMember $member
 */
final class RecordImport extends Model
{
    use OfLibraryAndMember;

    public $timestamps = false;

    protected $table = 'record_imports';

    protected $guarded = [];

    protected $casts = [
        'columns' => 'array',
        'links' => OpenTo::class,
        'asked_at' => 'immutable_datetime',
        'applied_at' => 'immutable_datetime',
    ];

    /** @return HasMany<RecordImportRow, $this> */
    public function rows(): HasMany
    {
        return $this->hasMany(RecordImportRow::class);
    }

    public function isAtWork(): bool
    {
        return in_array($this->stage, ['reading', 'applying'], true);
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Who may fetch a library's reports of use, with a key of their own.
 *
 * @property int $id
 * @property int $library_id
 * @property string $name
 * @property string $requestor_id
 * @property string $key_hash
 * @property CarbonImmutable $made_at
 * @property CarbonImmutable|null $used_at
 * @property-read Library $library
 * @property-read StaffMember $staffMember
 */
final class CounterKey extends Model
{
    public $timestamps = false;

    protected $table = 'counter_keys';

    protected $guarded = [];

    protected $hidden = ['key_hash'];

    protected $casts = ['made_at' => 'immutable_datetime', 'used_at' => 'immutable_datetime'];

    /** @return BelongsTo<Library, $this> */
    public function library(): BelongsTo
    {
        return $this->belongsTo(Library::class);
    }

    /** @return BelongsTo<StaffMember, $this> */
    public function staffMember(): BelongsTo
    {
        return $this->belongsTo(StaffMember::class);
    }
}

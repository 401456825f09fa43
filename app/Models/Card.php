<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property int $id
 * @property int $library_id
 * @property int $person_id
 * @property string $number
 * @property string|null $pin_hash null until the library sets a PIN
 * @property string $patron_group
 * @property CarbonImmutable|null $expires_at
 * @property CarbonImmutable|null $blocked_at
 * @property string|null $block_reason as the patron reads it
 * @property string|null $class at a school
 * @property CarbonImmutable|null $confirmed_at by the library's own system
 * @property string|null $own_name by which its owner knows it
 * @property bool $is_first of its owner's
 * @property int $loans_open
 * @property int $holds_open
 * @property string|null $pay_month first day of the month that pay_loans counts
 * @property int $pay_loans loans paid for one by one in that month
 * @property-read Person $person
 * @property-read Library $library
 */
final class Card extends Model
{
    public $timestamps = false;

    protected $table = 'cards';

    protected $guarded = [];

    protected $hidden = ['pin_hash'];

    protected $casts = [
        'is_first' => 'boolean',
        'confirmed_at' => 'immutable_datetime',
        'expires_at' => 'immutable_datetime',
        'blocked_at' => 'immutable_datetime',
    ];

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    /** @return BelongsTo<Library, $this> */
    public function library(): BelongsTo
    {
        return $this->belongsTo(Library::class);
    }

    /** @return HasMany<Loan, $this> */
    public function loans(): HasMany
    {
        return $this->hasMany(Loan::class);
    }

    /** @return HasMany<Hold, $this> */
    public function holds(): HasMany
    {
        return $this->hasMany(Hold::class);
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use FigPorch\Core\Exchange\Sending\Goods;
use FigPorch\Core\Exchange\Sending\Undelivered;
use FigPorch\Core\Exchange\Sending\Way;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Something that a person sent to a place of their own.
 *
 * @property int $id
 * @property int $person_id
 * @property int|null $loan_id
 * @property Goods $goods
 * @property array<string, int|string> $facts
 * @property string $name
 * @property Way $way
 * @property string $destination
 * @property string $locale
 * @property string $state
 * @property Undelivered|null $why
 * @property CarbonImmutable $asked_at
 * @property CarbonImmutable|null $ended_at
 * @property-read Person $person
 * @property-read Loan|null $loan
 */
final class Sending extends Model
{
    public $timestamps = false;

    protected $table = 'sendings';

    protected $guarded = [];

    protected $casts = [
        'goods' => Goods::class,
        'facts' => 'array',
        'way' => Way::class,
        'why' => Undelivered::class,
        'asked_at' => 'immutable_datetime',
        'ended_at' => 'immutable_datetime',
    ];

    /** @return BelongsTo<Person, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(Person::class);
    }

    /** @return BelongsTo<Loan, $this> */
    public function loan(): BelongsTo
    {
        return $this->belongsTo(Loan::class);
    }
}

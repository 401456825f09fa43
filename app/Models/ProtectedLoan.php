<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * The licence document of a loan whose file is protected.
 *
 * @property string $id a UUID, which only those know who have the licence
 * @property int $loan_id
 * @property int $library_id of the card
 * @property string $sha256 of the publication
 * @property string|null $user_key that opens it; null once the loan is forgotten
 * @property string|null $hint
 * @property CarbonImmutable $issued_at
 * @property CarbonImmutable $ends_at what was last told of the loan's end
 * @property CarbonImmutable $updated_at
 * @property-read Loan $loan
 * @property-read Library $library
 * @property-read ProtectedFile $file
 */
final class ProtectedLoan extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $table = 'protected_loans';

    protected $keyType = 'string';

    protected $guarded = [];

    protected $hidden = ['user_key'];

    protected $casts = [
        'user_key' => 'encrypted',
        'issued_at' => 'immutable_datetime',
        'ends_at' => 'immutable_datetime',
        'updated_at' => 'immutable_datetime',
    ];

    /** @return BelongsTo<Loan, $this> */
    public function loan(): BelongsTo
    {
        return $this->belongsTo(Loan::class);
    }

    /** @return BelongsTo<Library, $this> */
    public function library(): BelongsTo
    {
        return $this->belongsTo(Library::class);
    }

    /** @return BelongsTo<ProtectedFile, $this> */
    public function file(): BelongsTo
    {
        return $this->belongsTo(ProtectedFile::class, 'sha256', 'sha256');
    }

    /** @return HasMany<ProtectedLoanEvent, $this> */
    public function events(): HasMany
    {
        return $this->hasMany(ProtectedLoanEvent::class)->orderBy('id');
    }
}

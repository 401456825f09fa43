<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A file that is made of a loan: a download, or pages as PDF.
 *
 * @property int $id
 * @property int $loan_id
 * @property string $kind epub, pdf, package, files, or "pages 2-30"
 * @property string $locale of who asked
 * @property CarbonImmutable $asked_at
 * @property float $share how much of it is made, 0 to 1
 * @property CarbonImmutable|null $ready_at
 * @property CarbonImmutable|null $failed_at
 * @property-read Loan $loan
 */
final class PreparedFile extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $casts = [
        'asked_at' => 'immutable_datetime',
        'ready_at' => 'immutable_datetime',
        'failed_at' => 'immutable_datetime',
    ];

    /** @return BelongsTo<Loan, $this> */
    public function loan(): BelongsTo
    {
        return $this->belongsTo(Loan::class);
    }

    public function path(): string
    {
        return storage_path("prepared/{$this->id}");
    }

    /** It may be asked for, and is there. */
    public function isReady(): bool
    {
        return $this->ready_at !== null && is_file($this->path());
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A title of a batch, or a line that names none.
 *
 * @property int $id
 * @property int $batch_id
 * @property int|null $title_id
 * @property string|null $given the line of a file by which it was named
 * @property string $outcome ready, same or refused
 * @property array<string, int|string>|null $note what is to be known of it: words by keys of batches.notes
 * @property bool $done
 * @property array<string, mixed>|null $undo what brings it back
 * @property string|null $kept why undoing left it as it is
 * @property-read Title|null $title
 */
final class BatchRow extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $casts = ['note' => 'array', 'done' => 'boolean', 'undo' => 'array'];

    /** @return BelongsTo<Title, $this> */
    public function title(): BelongsTo
    {
        return $this->belongsTo(Title::class);
    }
}

<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A line of a file of patrons, or a card that is not in it.
 *
 * @property int $id
 * @property int $card_import_id
 * @property int|null $line
 * @property string $outcome new, changed, moved, left, same or refused
 * @property array<string, string|null> $given by column
 * @property array<string, array{string|null, string|null}>|null $changes before and after
 * @property string|null $why it is refused
 * @property int|null $card_id
 * @property bool $done
 * @property string|null $kept why undoing left it as it is
 * @property string|null $pin encrypted
 * @property-read Card|null $card
 */
final class CardImportRow extends Model
{
    public $timestamps = false;

    protected $table = 'card_import_rows';

    protected $guarded = [];

    protected $casts = ['given' => 'array', 'changes' => 'array', 'done' => 'boolean'];

    /** @return BelongsTo<Card, $this> */
    public function card(): BelongsTo
    {
        return $this->belongsTo(Card::class);
    }
}

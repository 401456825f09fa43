<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A record of a file, beside what the catalogue has.
 *
 * @property int $id
 * @property int $record_import_id
 * @property int $number in the file, from 1
 * @property string $outcome of ComparedRecord::OUTCOMES
 * @property string|null $name
 * @property int|null $title_id the title it is, is like, or has become
 * @property list<string>|null $fields that are another than they were
 * @property string|null $why it is refused, or what it is like: one of the words below, or a RecordFault as written
 * @property string|null $marc MARCXML, until it is done
 * @property bool $chosen to be taken in
 * @property bool $as_title it is the title that it is like: that gets what the record says
 * @property bool $done
 * @property bool $made the title is of this record: nobody had it before
 * @property-read Title|null $title
 */
final class RecordImportRow extends Model
{
    /** Why it is refused, where that is not said by who read it. */
    public const OF_OTHERS = 'of_others';

    public const BROKE = 'broke';

    public const GONE = 'gone';

    public const OWN_WORDS = [self::OF_OTHERS, self::BROKE, self::GONE];

    public $timestamps = false;

    protected $table = 'record_import_rows';

    protected $guarded = [];

    protected $casts = [
        'fields' => 'array',
        'chosen' => 'boolean',
        'as_title' => 'boolean',
        'done' => 'boolean',
        'made' => 'boolean',
    ];

    /** @return BelongsTo<Title, $this> */
    public function title(): BelongsTo
    {
        return $this->belongsTo(Title::class);
    }
}

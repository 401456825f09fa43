<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A publication that staff sent, and what became of it.
 *
 * @property int $id
 * @property int $library_id
 * @property int $staff_member_id
 * @property string|null $upload_id until it is done
 * @property string $name
 * @property string|null $terms of the licence that it gets, as LicenceTerms reads them
 * @property string|null $audience
 * @property string $state waiting, at_work, taken_in, known or refused
 * @property string|null $words why it is refused
 * @property int|null $title_id what it became
 * @property int|null $for_title_id whose file it is, where staff say so
 * @property bool $put_away staff have seen why it was refused
 * @property CarbonImmutable $asked_at
 * @property CarbonImmutable|null $ended_at
 * @property-read Upload|null $upload
 * @property-read Title|null $title
 * @property-read Library $library
 * @property-read StaffMember $member
 */
final class FileImport extends Model
{
    use OfLibraryAndMember;

    public $timestamps = false;

    protected $table = 'file_imports';

    protected $guarded = [];

    protected $casts = [
        'put_away' => 'boolean',
        'asked_at' => 'immutable_datetime',
        'ended_at' => 'immutable_datetime',
    ];

    /** A title that has come without one. */
    public function needsLicence(): bool
    {
        return $this->terms === null && $this->for_title_id === null;
    }

    /** @return BelongsTo<Upload, $this> */
    public function upload(): BelongsTo
    {
        return $this->belongsTo(Upload::class);
    }

    /** @return BelongsTo<Title, $this> */
    public function title(): BelongsTo
    {
        return $this->belongsTo(Title::class);
    }
}

<?php

declare(strict_types=1);

namespace App\Reading\Publications;

use App\Catalogue\Records\RecordOfTitle;
use App\Catalogue\Records\SaveRecord;
use App\Lending\Licences\LicenceTerms;
use App\Lending\Licences\LicenseWhereNone;
use App\Lending\Loans\Opening;
use App\Lending\Queues\FillFreeCopies;
use App\Models\Library;
use App\Models\Publication as StoredPublication;
use App\Models\Title;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Reading\Archive;
use FigPorch\Core\Reading\Media\ManifestReader;
use FigPorch\Core\Reading\Reason;
use FigPorch\Core\Reading\UnreadablePublication;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;

/**
 * Takes a file into a library — an EPUB, a PDF, or a package of sound or video — with record, files, excerpt, cover
 * and licence, unless it is to have none yet. The same file twice is one title.
 */
final class ImportPublication
{
    /** Two imports that name the same people in another order may wait for each other; one of them begins anew. */
    private const TRIES = 5;

    public function __construct(
        private readonly SaveRecord $saveRecord,
        private readonly UnpackEpub $unpackEpub,
        private readonly UnpackMedia $unpackMedia,
        private readonly UnpackPdf $unpackPdf,
        private readonly LicenseWhereNone $license,
        private readonly FillFreeCopies $fillFreeCopies,
    ) {}

    /**
     * @param  bool  $ownOnly  a file that other libraries lend is not replaced
     * @param  Title|null  $of  the title whose file it is, whatever the file says; its record stands
     * @return array{title: Title, new: bool}
     *
     * @throws UnreadablePublication
     */
    public function __invoke(
        string $file,
        Library $library,
        ?LicenceTerms $terms,
        DateTimeImmutable $now,
        ?Audience $audience = null,
        bool $ownOnly = false,
        ?Title $of = null,
    ): array {
        $sha256 = (string) hash_file('sha256', $file);
        // Of several imports of one file at once the first unpacks it, and the others find it known.
        DB::select('select pg_advisory_lock(hashtextextended(?, 5))', [$sha256]);
        try {
            return $this->import(
                file: $file,
                sha256: $sha256,
                library: $library,
                terms: $terms,
                now: $now,
                audience: $audience,
                ownOnly: $ownOnly,
                of: $of,
            );
        } finally {
            DB::select('select pg_advisory_unlock(hashtextextended(?, 5))', [$sha256]);
        }
    }

    /**
     * @return array{title: Title, new: bool}
     *
     * @throws UnreadablePublication
     */
    private function import(
        string $file,
        string $sha256,
        Library $library,
        ?LicenceTerms $terms,
        DateTimeImmutable $now,
        ?Audience $audience,
        bool $ownOnly,
        ?Title $of,
    ): array {
        $known = StoredPublication::query()->where('sha256', $sha256)->first();
        if ($known !== null) {
            if ($of !== null && $of->id !== $known->title_id) {
                throw new UnreadablePublication(Reason::OfAnother);
            }
            $title = Title::query()->findOrFail($known->title_id);
            $terms === null || ($this->license)($library->id, $title->id, $terms, $now);

            return ['title' => $title, 'new' => false];
        }

        $unpacked = $this->unpack($file, $sha256, $audience);
        if ($of !== null && Opening::way($of->format) !== Opening::way($unpacked->record->format)) {
            throw new UnreadablePublication(Reason::OtherUse);
        }
        $record = $of === null ? $unpacked->record : RecordOfTitle::of($of, $unpacked->record);
        if ($ownOnly && $this->isOfOthers($record->key, $library)) {
            throw new UnreadablePublication(Reason::OfOthers);
        }

        return DB::transaction(function () use ($file, $sha256, $unpacked, $record, $library, $terms, $now): array {
            $title = ($this->saveRecord)($record, $now);
            $title->update([
                'file_cover' => $unpacked->cover,
                'cover_file' => $title->own_cover ?? $unpacked->cover,
            ]);
            $this->keepReplaced($title);
            $stored = StoredPublication::query()->firstOrNew(['title_id' => $title->id], ['came_at' => $now]);
            $stored->fill(['sha256' => $sha256, 'bytes' => (int) filesize($file), ...$unpacked->publication])->save();
            // A title on order has come: those in line are first.
            if ($stored->wasRecentlyCreated) {
                $this->fillFreeCopies->ofTitle($title->id, $now);
            }
            $terms === null || ($this->license)($library->id, $title->id, $terms, $now);

            return ['title' => $title, 'new' => true];
        }, self::TRIES);
    }

    /** Whether the record of the key has a file already, and a library other than this has it. */
    private function isOfOthers(string $key, Library $library): bool
    {
        return Title::query()
            ->where('record_key', $key)
            ->whereHas('publication')
            ->whereHas('licences', fn(Builder $licences) => $licences->where('library_id', '<>', $library->id))
            ->exists();
    }

    /** What is replaced stays for a day from now (storage:tidy): a backup that is being made may name it. */
    private function keepReplaced(Title $title): void
    {
        $folder = storage_path(
            'publications/' . StoredPublication::query()->where('title_id', $title->id)->value('sha256'),
        );
        is_dir($folder) && touch($folder);
    }

    private function unpack(string $file, string $sha256, ?Audience $audience): UnpackedPublication
    {
        if (UnpackPdf::isPdf($file)) {
            return ($this->unpackPdf)($file, $sha256, $audience);
        }
        $archive = new Archive($file);

        return $archive->has(ManifestReader::FILE)
            ? ($this->unpackMedia)($archive, $sha256, $audience)
            : ($this->unpackEpub)($archive, $sha256, $audience);
    }
}

<?php

declare(strict_types=1);

namespace App\Actions\Catalogue;

use App\Actions\Lending\AddLicence;
use App\Models\Library;
use App\Models\Licence;
use App\Models\Publication as StoredPublication;
use App\Models\Title;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\AgeRange;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Isbn;
use FigPorch\Core\Catalogue\Level\ReadingLevel;
use FigPorch\Core\Catalogue\Level\TextCounts;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Reading\Epub\Archive;
use FigPorch\Core\Reading\Epub\Creator;
use FigPorch\Core\Reading\Epub\Excerpt;
use FigPorch\Core\Reading\Epub\NavPoint;
use FigPorch\Core\Reading\Epub\PackageReader;
use FigPorch\Core\Reading\Epub\PlainText;
use FigPorch\Core\Reading\Epub\Publication;
use FigPorch\Core\Reading\Epub\UnreadablePublication;
use Illuminate\Support\Facades\DB;

/** Takes an EPUB file into a library: record, files, excerpt, cover and licence. The same file twice is one title. */
final class ImportPublication
{
    /** Bytes of text that are enough to tell a reading level from. */
    private const LEVEL_TEXT = 200_000;

    private const MOST_CONTENTS = 400;

    private const CONTENTS_DEPTH = 2;

    public function __construct(
        private readonly SaveRecord $saveRecord,
        private readonly StoreFiles $storeFiles,
        private readonly AddLicence $addLicence,
    ) {
    }

    /**
     * @return array{title: Title, new: bool}
     *
     * @throws UnreadablePublication
     */
    public function __invoke(string $file, Library $library, LicenceTerms $terms, DateTimeImmutable $now, ?Audience $audience = null): array
    {
        $sha256 = (string) hash_file('sha256', $file);
        $known = StoredPublication::query()->where('sha256', $sha256)->first();
        if ($known !== null) {
            $title = Title::query()->findOrFail($known->title_id);
            $this->license($title, $library, $terms, $now);

            return ['title' => $title, 'new' => false];
        }

        $archive = new Archive($file);
        $publication = PackageReader::read($archive);
        $excerpt = Excerpt::of($archive, $publication, (float) config('figporch.excerpt_share'));
        $stored = $this->storeFiles->store($sha256, $archive, $publication, $excerpt);

        $level = str_starts_with($publication->languages[0] ?? '', 'en') ? ReadingLevel::grade(TextCounts::of(PlainText::of($archive, $publication, self::LEVEL_TEXT))) : null;

        return DB::transaction(function () use ($file, $sha256, $publication, $stored, $library, $terms, $audience, $now, $level): array {
            $title = ($this->saveRecord)(self::record($publication, $sha256, $audience, $level), $now);
            $title->update(['cover_file' => $stored['cover']]);
            StoredPublication::query()->updateOrCreate(['title_id' => $title->id], [
                'sha256' => $sha256,
                'media_type' => 'application/epub+zip',
                'bytes' => (int) filesize($file),
                'fixed_layout' => $publication->fixedLayout,
                'right_to_left' => $publication->rightToLeft,
                'sizes' => $stored['sizes'],
                'types' => $publication->manifest,
                'positions' => self::pairs($publication->positions()),
                'contents' => self::contents($publication->contents),
                'excerpt_sizes' => $stored['excerpt_sizes'],
                'excerpt_positions' => self::pairs(array_intersect_key($publication->positions(), $stored['excerpt_sizes'])),
            ]);
            $this->license($title, $library, $terms, $now);

            return ['title' => $title, 'new' => true];
        });
    }

    private function license(Title $title, Library $library, LicenceTerms $terms, DateTimeImmutable $now): void
    {
        if (! Licence::query()->where(['library_id' => $library->id, 'title_id' => $title->id])->exists()) {
            ($this->addLicence)(
                $library->id, $title->id, $terms->model, $terms->copies, $terms->loans,
                $now, $terms->endsAt, $now, $terms->priceCents, $terms->shared,
            );
        }
    }

    private static function record(Publication $publication, string $sha256, ?Audience $audience, ?float $level): Record
    {
        $ages = AgeRange::parse($publication->ages);
        $isbn = null;
        foreach ($publication->identifiers as $identifier) {
            $isbn ??= Isbn::parse($identifier);
        }

        return new Record(
            key: $isbn !== null ? "isbn:{$isbn->thirteen}" : "sha256:{$sha256}",
            format: Format::Ebook,
            name: $publication->title,
            contributors: array_map(
                fn (Creator $c): array => ['name' => $c->name, 'sort' => $c->sortName, 'role' => $c->role],
                $publication->creators,
            ),
            extent: $publication->pageCount(),
            subtitle: $publication->subtitle,
            language: $publication->languages[0] ?? null,
            audience: $audience ?? Audience::tryFrom((string) $publication->audience) ?? $ages?->audience() ?? Audience::Adult,
            description: $publication->description,
            publisher: $publication->publisher,
            published: $publication->date,
            identifiers: $publication->identifiers,
            subjects: $publication->subjects,
            series: $publication->series,
            seriesPosition: $publication->seriesPosition,
            accessibility: $publication->accessibility,
            level: $level,
            ages: $ages,
        );
    }

    /**
     * The contents as rows, as far as a title's page shows them.
     *
     * @param  list<NavPoint>  $points
     * @return list<array{int, string}> depth and label
     */
    private static function contents(array $points, int $depth = 0): array
    {
        $rows = [];
        foreach ($points as $point) {
            array_push($rows, [$depth, mb_substr($point->label, 0, 300)], ...($depth < self::CONTENTS_DEPTH ? self::contents($point->children, $depth + 1) : []));
        }

        return array_slice($rows, 0, self::MOST_CONTENTS);
    }

    /**
     * @param  array<string, int>  $positions
     * @return list<array{string, int}>
     */
    private static function pairs(array $positions): array
    {
        return array_map(fn (string|int $href, int $count): array => [(string) $href, $count], array_keys($positions), $positions);
    }
}

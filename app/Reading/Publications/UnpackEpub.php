<?php

declare(strict_types=1);

namespace App\Reading\Publications;

use FigPorch\Core\Catalogue\AgeRange;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Level\ReadingLevel;
use FigPorch\Core\Catalogue\Level\TextCounts;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Reading\Archive;
use FigPorch\Core\Reading\Epub\Excerpt;
use FigPorch\Core\Reading\Epub\Outline;
use FigPorch\Core\Reading\Epub\PackageReader;
use FigPorch\Core\Reading\Epub\PlainText;
use FigPorch\Core\Reading\Epub\Publication;
use FigPorch\Core\Reading\UnreadablePublication;

/** An EPUB file as an ebook. */
final class UnpackEpub
{
    /** Bytes of text that are enough to tell a reading level from. */
    private const LEVEL_TEXT = 200_000;

    public function __construct(private readonly StoreFiles $storeFiles) {}

    /** @throws UnreadablePublication */
    public function __invoke(Archive $archive, string $sha256, ?Audience $audience): UnpackedPublication
    {
        $publication = PackageReader::read($archive);
        $excerpt = Excerpt::of($archive, $publication, (float) config('figporch.excerpt_share'));
        $stored = $this->storeFiles->store(
            $sha256,
            $archive,
            $publication->coverPath,
            $publication->manifest,
            fn(string $folder): array => $this->storeFiles->write($folder, $archive, $excerpt),
        );
        $outline = Outline::of($archive, $publication);
        $level = str_starts_with($publication->languages[0] ?? '', 'en')
            ? ReadingLevel::grade(TextCounts::of(PlainText::of($archive, $publication, self::LEVEL_TEXT)))
            : null;

        return new UnpackedPublication(
            self::record($publication, $sha256, $audience, $level),
            [
                'media_type' => 'application/epub+zip',
                'fixed_layout' => $publication->fixedLayout,
                'right_to_left' => $publication->rightToLeft,
                'sizes' => $stored['sizes'],
                'types' => $publication->manifest,
                'positions' => self::pairs($publication->positions()),
                'lengths' => $outline->lengths,
                'page_list' => $outline->pages,
                'contents' => $outline->contents,
                'excerpt_sizes' => $stored['excerpt_sizes'],
                'excerpt_positions' => self::pairs(
                    array_intersect_key($publication->positions(), $stored['excerpt_sizes']),
                ),
            ],
            $stored['cover'],
        );
    }

    private static function record(Publication $publication, string $sha256, ?Audience $audience, ?float $level): Record
    {
        $ages = AgeRange::parse($publication->ages);

        return new Record(
            key: UnpackedPublication::key($publication->identifiers, $sha256),
            format: $publication->magazine ? Format::Magazine : Format::Ebook,
            edition: $publication->magazine && $publication->seriesPosition !== null
                ? 'Issue ' . $publication->seriesPosition
                : null,
            name: $publication->title,
            contributors: UnpackedPublication::contributors($publication->creators),
            extent: $publication->pageCount(),
            subtitle: $publication->subtitle,
            language: $publication->languages[0] ?? null,
            audience: $audience ??
                (Audience::tryFrom((string) $publication->audience) ?? ($ages?->audience() ?? Audience::Adult)),
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
     * @param  array<string, int>  $positions
     * @return list<array{string, int}>
     */
    private static function pairs(array $positions): array
    {
        return array_map(
            fn(string|int $href, int $count): array => [(string) $href, $count],
            array_keys($positions),
            $positions,
        );
    }
}

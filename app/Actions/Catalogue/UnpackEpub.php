<?php

declare(strict_types=1);

namespace App\Actions\Catalogue;

use FigPorch\Core\Catalogue\AgeRange;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Level\ReadingLevel;
use FigPorch\Core\Catalogue\Level\TextCounts;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Reading\Archive;
use FigPorch\Core\Reading\Epub\Excerpt;
use FigPorch\Core\Reading\Epub\Href;
use FigPorch\Core\Reading\Epub\NavPoint;
use FigPorch\Core\Reading\Epub\PackageReader;
use FigPorch\Core\Reading\Epub\PlainText;
use FigPorch\Core\Reading\Epub\Publication;
use FigPorch\Core\Reading\Epub\SpineItem;
use FigPorch\Core\Reading\Epub\Text;
use FigPorch\Core\Reading\UnreadablePublication;

/** An EPUB file as an ebook. */
final class UnpackEpub
{
    /** Bytes of text that are enough to tell a reading level from. */
    private const LEVEL_TEXT = 200_000;

    private const MOST_CONTENTS = 400;

    private const CONTENTS_DEPTH = 2;

    public function __construct(private readonly StoreFiles $storeFiles)
    {
    }

    /** @throws UnreadablePublication */
    public function __invoke(Archive $archive, string $sha256, ?Audience $audience): Unpacked
    {
        $publication = PackageReader::read($archive);
        $excerpt = Excerpt::of($archive, $publication, (float) config('figporch.excerpt_share'));
        $stored = $this->storeFiles->store($sha256, $archive, $publication->coverPath, $publication->manifest, fn (string $folder): array => $this->storeFiles->write($folder, $archive, $excerpt));
        $level = str_starts_with($publication->languages[0] ?? '', 'en') ? ReadingLevel::grade(TextCounts::of(PlainText::of($archive, $publication, self::LEVEL_TEXT))) : null;

        return new Unpacked(self::record($publication, $sha256, $audience, $level), [
            'media_type' => 'application/epub+zip',
            'fixed_layout' => $publication->fixedLayout,
            'right_to_left' => $publication->rightToLeft,
            'sizes' => $stored['sizes'],
            'types' => $publication->manifest,
            'positions' => self::pairs($publication->positions()),
            'contents' => self::contents($publication->contents),
            ...self::points($archive, $publication),
            'excerpt_sizes' => $stored['excerpt_sizes'],
            'excerpt_positions' => self::pairs(array_intersect_key($publication->positions(), $stored['excerpt_sizes'])),
        ], $stored['cover']);
    }

    private static function record(Publication $publication, string $sha256, ?Audience $audience, ?float $level): Record
    {
        $ages = AgeRange::parse($publication->ages);

        return new Record(
            key: Unpacked::key($publication->identifiers, $sha256),
            format: $publication->magazine ? Format::Magazine : Format::Ebook,
            edition: $publication->magazine && $publication->seriesPosition !== null ? 'Issue '.$publication->seriesPosition : null,
            name: $publication->title,
            contributors: Unpacked::contributors($publication->creators),
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
     * How long the text of each document is, and where in it pages and chapters begin.
     *
     * @return array{lengths: list<int>, page_list: list<array{string, int, int}>, chapters: list<array{string, int, int}>} label, document and offset of each
     */
    private static function points(Archive $archive, Publication $publication): array
    {
        // A document that stands in the order twice has one place.
        $documents = array_values(array_unique(array_map(fn (SpineItem $i): string => $i->href, $publication->spine)));
        $order = array_flip($documents);
        $entries = ['page_list' => $publication->pages, 'chapters' => array_slice(self::flat($publication->contents), 0, self::MOST_CONTENTS)];
        $ids = [];
        foreach ([...$entries['page_list'], ...$entries['chapters']] as $point) {
            $ids[self::path($point)][] = self::id($point);
        }
        $lengths = $offsets = [];
        foreach ($documents as $href) {
            $text = new Text($archive->read($href));
            $lengths[] = $text->length();
            $offsets[$href] = $text->offsets($ids[$href] ?? []);
        }
        $rows = fn (array $points): array => array_values(array_map(
            fn (NavPoint $p): array => [mb_substr($p->label, 0, 300), $order[self::path($p)], $offsets[self::path($p)][self::id($p)] ?? 0],
            array_filter($points, fn (NavPoint $p): bool => $p->href !== null && isset($order[self::path($p)])),
        ));

        return ['lengths' => $lengths, ...array_map($rows, $entries)];
    }

    private static function path(NavPoint $point): string
    {
        return (string) strtok((string) $point->href, '#');
    }

    private static function id(NavPoint $point): string
    {
        return rawurldecode(substr(Href::fragment((string) $point->href), 1));
    }

    /**
     * @param  list<NavPoint>  $points
     * @return list<NavPoint>
     */
    private static function flat(array $points): array
    {
        return array_merge([], ...array_map(fn (NavPoint $p): array => [$p, ...self::flat($p->children)], $points));
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

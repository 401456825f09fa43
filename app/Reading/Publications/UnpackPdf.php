<?php

declare(strict_types=1);

namespace App\Reading\Publications;

use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\PublicationDate;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Reading\UnreadablePublication;

/** A PDF as an ebook whose pages are as they are. */
final class UnpackPdf
{
    public const NAME = 'document.pdf';

    public const TYPE = 'application/pdf';

    public function __construct(private readonly StoreFiles $storeFiles, private readonly Poppler $tools) {}

    public static function isPdf(string $file): bool
    {
        // ISO 32000-2, Annex I: readers look for the header in the first 1024 bytes.
        return str_contains((string) file_get_contents($file, length: 1024), '%PDF-');
    }

    /** @throws UnreadablePublication */
    public function __invoke(string $file, string $sha256, ?Audience $audience): UnpackedPublication
    {
        ['pages' => $pages, 'facts' => $facts] = $this->tools->describe($file);
        $front = self::front($pages);
        $stored = $this->storeFiles->storeFile($sha256, $file, self::NAME, $this->tools->cover($file), function (
            string $folder,
        ) use ($front): array {
            if ($front === 0) {
                return [];
            }
            try {
                $this->tools->cut("{$folder}/whole/" . self::NAME, 1, $front, "{$folder}/excerpt/" . self::NAME);
            } catch (UnreadablePublication) {
                // It is lent as it is, without an excerpt.
                return [];
            }

            return [self::NAME => (int) filesize("{$folder}/excerpt/" . self::NAME)];
        });
        $keywords = preg_split('/\s*[;,]\s*/', $facts['Keywords'] ?? '', flags: PREG_SPLIT_NO_EMPTY) ?: [];

        return new UnpackedPublication(
            new Record(
                key: UnpackedPublication::key($keywords, $sha256),
                format: Format::Ebook,
                name: mb_substr($facts['Title'] ?? pathinfo($file, PATHINFO_FILENAME), 0, 500),
                contributors: array_map(
                    self::author(...),
                    preg_split('/\s*;\s*|\s+and\s+/', $facts['Author'] ?? '', flags: PREG_SPLIT_NO_EMPTY) ?: [],
                ),
                extent: $pages,
                audience: $audience ?? Audience::Adult,
                description: $facts['Subject'] ?? null,
                published: PublicationDate::read(substr($facts['CreationDate'] ?? '', 0, 10)),
                identifiers: $keywords,
            ),
            [
                'media_type' => self::TYPE,
                'fixed_layout' => true,
                'right_to_left' => false,
                'sizes' => $stored['sizes'],
                'types' => [self::NAME => self::TYPE],
                'positions' => [[self::NAME, $pages]],
                'contents' => [],
                'excerpt_sizes' => $stored['excerpt_sizes'],
                'excerpt_positions' => $stored['excerpt_sizes'] === [] ? [] : [[self::NAME, $front]],
            ],
            $stored['cover'],
        );
    }

    /** How many of its pages anyone may see: the share, but one; none where that would be all. */
    public static function front(int $pages): int
    {
        return $pages < 2 ? 0 : max(1, (int) floor($pages * (float) config('figporch.excerpt_share')));
    }

    /**
     * A PDF names people as one calls them; they are sorted by the last word (common practice, no source).
     *
     * @return array{name: string, sort: string, role: string}
     */
    private static function author(string $name): array
    {
        $words = preg_split('/\s+/', trim($name)) ?: [];
        $family = (string) array_pop($words);

        return [
            'name' => trim($name),
            'sort' => $words === [] ? $family : "{$family}, " . implode(' ', $words),
            'role' => 'author',
        ];
    }
}

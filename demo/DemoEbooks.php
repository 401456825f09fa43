<?php

declare(strict_types=1);

namespace FigPorch\Demo;

use FigPorch\Core\Catalogue\Isbn;
use League\CommonMark\Extension\Footnote\FootnoteExtension;
use League\CommonMark\GithubFlavoredMarkdownConverter;
use RuntimeException;

/**
 * The books written by hand, from demo/books: one Markdown file each, headed by its facts as JSON, with a chapter at
 * every first-level heading. A folder of the same name holds its pictures.
 */
final class DemoEbooks
{
    private int $numbered = 0;

    /** @return list<Book> */
    public function books(): array
    {
        $files = glob(__DIR__ . '/books/*.md') ?: [];

        return array_map($this->read(...), $files);
    }

    /**
     * Those that came later, each with the way in which it is delivered.
     *
     * @return list<array{Book, 'epub'|'pdf'|'read along'}>
     */
    public function later(): array
    {
        $this->numbered = count(glob(__DIR__ . '/books/*.md') ?: []);

        return array_map(
            function (string $file): array {
                $facts = json_decode(
                    (preg_split('/^---\s*$/m', (string) file_get_contents($file), 3) ?: [])[1] ?? '',
                    true,
                );

                return [
                    $this->read($file),
                    match (true) {
                        $facts['pdf'] ?? false => 'pdf',
                        $facts['readAlong'] ?? false => 'read along',
                        default => 'epub',
                    },
                ];
            },
            glob(__DIR__ . '/books/later/*.md') ?: [],
        );
    }

    private function read(string $file): Book
    {
        $parts = preg_split('/^---\s*$/m', (string) file_get_contents($file), 3) ?: [];
        $facts = json_decode($parts[1] ?? '', true);
        if (!is_array($facts)) {
            throw new RuntimeException("{$file} does not begin with its facts as JSON between two lines of ---.");
        }
        $folder = substr($file, 0, -3);
        $pictures = [];
        foreach (glob("{$folder}/*.svg") ?: [] as $picture) {
            $pictures[basename($picture)] = (string) file_get_contents($picture);
        }
        $cover = $pictures['cover.svg'] ?? null;
        unset($pictures['cover.svg']);
        $chapters = isset($facts['pages'])
            ? $this->drawnPages($facts['pages'], $folder, $pictures)
            : $this->chapters($parts[2]);

        return new Book(
            title: $facts['title'],
            creators: $facts['creators'],
            isbn: self::isbn(100 + $this->numbered++),
            chapters: $chapters,
            description: $facts['description'],
            publisher: $facts['publisher'],
            published: $facts['published'],
            subjects: $facts['subjects'],
            language: $facts['language'] ?? 'en',
            audience: $facts['audience'] ?? 'adult',
            ages: $facts['ages'] ?? null,
            series: $facts['series'] ?? null,
            seriesPosition: $facts['seriesPosition'] ?? 1,
            cover: $cover,
            pictures: isset($facts['pages']) ? [] : $pictures,
            fixedLayout: isset($facts['pages']),
            rightToLeft: $facts['rightToLeft'] ?? false,
            withPages: $facts['withPages'] ?? false,
            contentsHeading: $facts['contentsHeading'] ?? 'Contents',
        );
    }

    /** Marked as invented: the registrant element 9999 under prefix 979-8 is the demo's own. */
    public static function isbn(int $number): string
    {
        return Isbn::withCheck(sprintf('9798%08d', 99_990_000 + $number));
    }

    /** @return list<array{title: string, html: string}> */
    private function chapters(string $markdown): array
    {
        $converter = new GithubFlavoredMarkdownConverter([
            'html_input' => 'allow',
            'renderer' => ['soft_break' => "\n"],
        ]);
        $converter->getEnvironment()->addExtension(new FootnoteExtension());
        $chapters = [];
        foreach (preg_split('/^(?=# )/m', trim($markdown), flags: PREG_SPLIT_NO_EMPTY) ?: [] as $chapter) {
            $html = $converter->convert($chapter)->getContent();
            preg_match('#<h1>(.*?)</h1>#s', $html, $m);
            $html = str_replace([' align="left"', ' align="right"', ' align="center"'], '', $html);
            $html = str_replace('<img src="', '<img src="art/', $html);
            // A colon is no part of an XML name, and HTML's entities are unknown to XML.
            $html = str_replace(
                ['&nbsp;', '"fn:', '"fnref:', '"#fn:', '"#fnref:', ' rev="footnote"', ' role="doc-endnote"'],
                ["\u{A0}", '"fn-', '"fnref-', '"#fn-', '"#fnref-', '', ' epub:type="endnote"'],
                $html,
            );
            $chapters[] = ['title' => html_entity_decode(strip_tags($m[1] ?? 'Chapter')), 'html' => $html];
        }

        return $chapters;
    }

    /**
     * @param  list<string>  $lines  the words of each page of a picture book
     * @param  array<string, string>  $pictures
     * @return list<array{title: string, html: string}>
     */
    private function drawnPages(array $lines, string $folder, array $pictures): array
    {
        $pages = [];
        foreach ($lines as $i => $line) {
            $drawing =
                $pictures[sprintf('page-%02d.svg', $i + 1)] ??
                throw new RuntimeException("{$folder} lacks a drawing for page " . ($i + 1) . '.');
            $heading = $i === 0 ? 'h1' : 'p';
            $pages[] = [
                'title' => $i === 0 ? $line : 'Page ' . ($i + 1),
                'html' => $drawing . "<{$heading}>" . htmlspecialchars($line, ENT_XML1) . "</{$heading}>",
            ];
        }

        return $pages;
    }
}

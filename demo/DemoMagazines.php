<?php

declare(strict_types=1);

namespace FigPorch\Demo;

use League\CommonMark\GithubFlavoredMarkdownConverter;
use RuntimeException;

/**
 * The issues of magazines that were written by hand, from demo/magazines: a page for each article, with a front page.
 */
final class DemoMagazines
{
    private const COLOURS = ['#1f4b56', '#6a2c4f', '#7a4f00', '#a8431f', '#2b5d3a', '#40366b'];

    /** @return list<Book> the oldest of each magazine first */
    public function issues(): array
    {
        return array_map(
            fn(string $file, int $n): Book => $this->read($file, $n),
            $files = glob(__DIR__ . '/magazines/*.md') ?: [],
            array_keys($files),
        );
    }

    private function read(string $file, int $number): Book
    {
        $parts = preg_split('/^---\s*$/m', (string) file_get_contents($file), 3) ?: [];
        $facts = json_decode($parts[1] ?? '', true);
        if (!is_array($facts)) {
            throw new RuntimeException("{$file} does not begin with its facts as JSON between two lines of ---.");
        }

        return $this->issue($facts, $parts[2], $number);
    }

    /**
     * @param  array<mixed>  $facts  magazine, issue, publisher, published, subjects and description
     * @param  string  $markdown  a first-level heading for each article, under it in italics by whom it is
     */
    public function issue(array $facts, string $markdown, int $number): Book
    {
        $colour = self::COLOURS[$number % count(self::COLOURS)];
        $articles = $this->articles($markdown, $colour, "{$facts['magazine']} · Issue {$facts['issue']}");
        $titles = implode('', array_map(fn(array $a): string => '<li>' . self::x($a['title']) . '</li>', $articles));
        $waves = self::waves($colour, 760, 1040, $facts['issue']);

        return new Book(
            title: $facts['magazine'],
            creators: [],
            isbn: DemoEbooks::isbn(400 + $number),
            chapters: [
                [
                    'title' => $facts['magazine'],
                    'untold' => true,
                    'html' =>
                        "<div class=\"front\">{$waves}<h1>" .
                        self::x($facts['magazine']) .
                        "</h1><p class=\"number\">Issue {$facts['issue']}</p><ul>{$titles}</ul></div>",
                ],
                ...$articles,
            ],
            description: $facts['description'],
            publisher: $facts['publisher'],
            published: $facts['published'],
            subjects: $facts['subjects'],
            series: $facts['magazine'],
            seriesPosition: $facts['issue'],
            fixedLayout: true,
            magazine: true,
        );
    }

    /** @return list<array{title: string, html: string}> */
    private function articles(string $markdown, string $colour, string $foot): array
    {
        $converter = new GithubFlavoredMarkdownConverter();
        $articles = [];
        foreach (preg_split('/^(?=# )/m', trim($markdown), flags: PREG_SPLIT_NO_EMPTY) ?: [] as $n => $article) {
            preg_match('/^# (.+?)\n+\*(.+?)\*\n+(.+)$/s', trim($article), $m) ||
                throw new RuntimeException("An article of {$foot} has no title, no name under it or no text.");
            $text = trim($converter->convert($m[3])->getContent());
            $articles[] = [
                'title' => $m[1],
                'html' =>
                    '<div class="article">' .
                    self::waves($colour, 664, 190, $n + 3) .
                    '<h1>' .
                    self::x($m[1]) .
                    '</h1><p class="by">' .
                    self::x($m[2]) .
                    "</p><div class=\"columns\">{$text}</div></div><p class=\"foot\" aria-hidden=\"true\">" .
                    self::x($foot) .
                    ' · ' .
                    ($n + 2) .
                    '</p>',
            ];
        }

        return $articles;
    }

    /** A night, a lamp and some sea. */
    private static function waves(string $colour, int $width, int $height, int $seed): string
    {
        $lines = '';
        for ($row = 0; $row < 9; $row++) {
            $y = $height * (0.55 + $row * 0.05);
            $path = "M0 {$y}";
            for ($x = 0; $x < $width; $x += 80) {
                $path .= sprintf(' q 20 %d 40 0 t 40 0', -6 - (($row + $seed + $x / 80) % 4) * 3);
            }
            $lines .= "<path d=\"{$path}\" fill=\"none\" stroke=\"#fbf8f1\" stroke-width=\"2\" opacity=\"0.55\"/>";
        }
        $left = $width * (0.2 + (($seed * 37) % 60) / 100);
        $top = $height * 0.36;
        $size = $height * 0.06;

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 {$width} {$height}\" aria-hidden=\"true\">" .
            "<rect width=\"{$width}\" height=\"{$height}\" fill=\"{$colour}\"/>" .
            "<circle cx=\"{$left}\" cy=\"{$top}\" r=\"{$size}\" fill=\"#e2a32b\"/>{$lines}</svg>";
    }

    private static function x(string $text): string
    {
        return htmlspecialchars($text, ENT_XML1 | ENT_QUOTES, 'UTF-8');
    }
}

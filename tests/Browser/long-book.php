<?php

declare(strict_types=1);

/*
 * Writes an EPUB of a thousand pages with what long books have: mathematics, a table wider than a page, many notes.
 * After the file, its title and a number for its ISBN may be said.
 */

use FigPorch\Demo\Book;
use FigPorch\Demo\DemoEbooks;
use FigPorch\Demo\EpubBuilder;

require __DIR__ . '/../../vendor/autoload.php';

$paragraph = fn(int $n): string => '<p>' .
    str_repeat("The pilot wrote down the depth at mark {$n}, and the depth was not what it had been. ", 12) .
    '</p>';
$chapters = [];
for ($n = 1; $n <= 26; $n++) {
    $html = "<h1>Sounding {$n}</h1>";
    for ($p = 1; $p <= 42; $p++) {
        $html .= $paragraph($n * 100 + $p);
    }
    $chapters[] = ['title' => "Sounding {$n}", 'html' => $html];
}
$cells = implode('', array_map(fn(int $c): string => "<td>column{$c}-with-a-long-name</td>", range(1, 24)));
$chapters[12]['html'] =
    '<h1>Sounding 13</h1><p>The height is <math ' .
    'xmlns="http://www.w3.org/1998/Math/MathML"><mi>h</mi><mo>=</mo><mfrac><mi>a</mi><mn>2</mn></mfrac><msqrt><mn>3</mn></msqrt></math> ' .
    'at half tide.</p>' .
    '<table><tr>' .
    $cells .
    '</tr><tr>' .
    $cells .
    '</tr></table>' .
    implode(
        '',
        array_map(
            fn(int $n): string => "<p>Mark {$n}<a href=\"#n{$n}\" role=\"doc-noteref\">{$n}</a> lies to the north.</p>",
            range(1, 40),
        ),
    ) .
    '<section role="doc-endnotes"><ol>' .
    implode('', array_map(fn(int $n): string => "<li id=\"n{$n}\">Seen at low water, {$n} times.</li>", range(1, 40))) .
    '</ol></section>';

(new EpubBuilder())->write(
    new Book(
        title: $argv[2] ?? 'The Long Sounding',
        creators: [['name' => 'Gil Strand', 'sort' => 'Strand, Gil', 'role' => 'aut']],
        isbn: DemoEbooks::isbn((int) ($argv[3] ?? 950)),
        chapters: $chapters,
        description: 'A thousand pages of depths.',
        publisher: 'Saltmere Harbour Office',
        published: '2020',
        subjects: ['Navigation'],
    ),
    $argv[1],
);

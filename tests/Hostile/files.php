<?php

declare(strict_types=1);

// Hostile files: php tests/Hostile/files.php FOLDER [HOW MANY] [SEED] makes them, from rightly made ones of the demo
// and of others' packages, by what goes wrong and what is done on purpose. They are then given to catalogue:import, in
// one batch; see bin/test.

use FigPorch\Demo\DemoEbooks;
use FigPorch\Demo\EpubBuilder;
use Random\Engine\Mt19937;
use Random\Randomizer;

require __DIR__ . '/../../vendor/autoload.php';

[, $folder, $many, $seed] = $argv + [2 => '150', 3 => '1'];
$dice = new Randomizer(new Mt19937((int) $seed));
is_dir($folder) || mkdir($folder, recursive: true);

$book = "{$folder}/whole.epub";
(new EpubBuilder())->write((new DemoEbooks())->books()[0], $book);
$whole = [
    $book,
    ...glob('/usr/share/{doc,*}/*/*.{epub,pdf}', GLOB_BRACE) ?: [],
    ...glob('/usr/share/doc/*/*/*.pdf') ?: [],
];
$whole = array_values(array_filter($whole, fn(string $file): bool => filesize($file) < 3_000_000));

/** A ZIP archive as it is written down, so that each field can lie. */
$zip = function (array $files, ?callable $lie = null): string {
    $body = $directory = '';
    $count = 0;
    foreach ($files as $name => $bytes) {
        $of = [
            'name' => (string) $name,
            'bytes' => $bytes,
            'crc' => crc32($bytes),
            'packed' => strlen($bytes),
            'size' => strlen($bytes),
            'method' => 0,
            'flags' => 0,
            'attributes' => 0,
        ];
        $of = $lie === null ? $of : $lie($of, $count);
        $common =
            pack('vvvvVVV', $of['flags'], $of['method'], 0, 0x21, $of['crc'], $of['packed'], $of['size']) .
            pack('v', strlen($of['name']));
        $offset = strlen($body);
        $body .= "PK\3\4" . pack('v', 20) . $common . pack('v', 0) . $of['name'] . $of['bytes'];
        $directory .=
            "PK\1\2" .
            pack('vv', 0x314, 20) .
            $common .
            pack('vvvvVV', 0, 0, 0, 0, $of['attributes'], $offset) .
            $of['name'];
        $count++;
    }

    return $body . $directory . "PK\5\6" . pack('vvvvVVv', 0, 0, $count, $count, strlen($directory), strlen($body), 0);
};

$container =
    '<container version="1.0" xmlns="urn:oasis:names:tc:opendocument:xmlns:container"><rootfiles>' .
    '<rootfile full-path="p.opf" media-type="application/oebps-package+xml"/></rootfiles></container>';
$package = fn(string $metadata, string $manifest = '', string $spine = ''): string => '<package version="3.0" ' .
    'xmlns="http://www.idpf.org/2007/opf" unique-identifier="i"><metadata xmlns:dc="http://purl.org/dc/elements/1.1/">' .
    "<dc:identifier id=\"i\">urn:x:{$dice->nextInt()}</dc:identifier><dc:title>Hostile</dc:title>" .
    "<dc:language>en</dc:language>{$metadata}</metadata><manifest>" .
    "<item id=\"a\" href=\"a.xhtml\" media-type=\"application/xhtml+xml\"/>{$manifest}</manifest>" .
    "<spine><itemref idref=\"a\"/>{$spine}</spine></package>";
$page = '<html xmlns="http://www.w3.org/1999/xhtml"><head><title>T</title></head><body><p>Text</p></body></html>';
$epub = fn(array $files, ?callable $lie = null): string => $zip(
    $files + ['META-INF/container.xml' => $container, 'p.opf' => $package(''), 'a.xhtml' => $page],
    $lie,
);
$lpf = fn(array $manifest, array $files = []): string => $zip([
    'publication.json' => json_encode($manifest, JSON_PARTIAL_OUTPUT_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION),
    ...$files,
]);

$made = [
    'empty.epub' => '',
    'text.epub' => 'not a book',
    'zeros.epub' => str_repeat("\0", 100_000),
    'only-end.epub' => "PK\5\6" . str_repeat("\0", 18),
    'sizes-lie-small.epub' => $epub([], fn(array $of): array => ['size' => 1] + $of),
    'sizes-lie-large.epub' => $epub([], fn(array $of): array => ['size' => 0x7fffffff] + $of),
    'packed-lies.epub' => $epub([], fn(array $of): array => ['packed' => 0x7fffffff] + $of),
    'unknown-method.epub' => $epub([], fn(array $of): array => ['method' => 99] + $of),
    'wrong-sums.epub' => $epub([], fn(array $of): array => ['crc' => 7] + $of),
    'same-name-twice.epub' => $epub(['b.xhtml' => 'x'], fn(array $of): array => ['name' => 'a.xhtml'] + $of),
    'device.epub' => $epub(['d' => ''], fn(array $of): array => ['attributes' => 0o060666 << 16] + $of),
    'folder-that-is-a-file.epub' => $epub(['a/' => 'x', 'a/b/' => 'y', 'a/b/c' => 'z']),
    'dots.epub' => $epub(['a/../../b' => 'x']),
    'dot.epub' => $epub(['./././a.xhtml' => $page]),
    'empty-name.epub' => $epub(['' => 'x']),
    'slashes.epub' => $epub(['///' => 'x']),
    'no-utf8.epub' => $epub(["caf\xE9/\xFF.xhtml" => 'x']),
    'right-to-left.epub' => $epub(["\u{202e}gpj.exe" => 'x']),
    'reserved.epub' => $epub(['CON' => 'x', 'aux.xhtml' => 'x', 'a:b' => 'x']),
    'deep.epub' => $epub([str_repeat('d/', 3000) . 'x' => 'x']),
    'long.epub' => $epub([str_repeat('n', 5000) => 'x']),
    'many-files.epub' => $epub(array_fill_keys(array_map(fn(int $n): string => "f{$n}", range(1, 25_000)), '')),
    'file-in-the-way.epub' => $epub(['a' => 'x', 'a/b' => 'x', 'a/b/c' => 'x']),
    'overlapping.epub' => str_repeat($epub([]), 2),
    'position.epub' => $epub([
        'p.opf' => $package(
            '<meta property="belongs-to-collection" id="s">S</meta>' .
                '<meta refines="#s" property="group-position">1e300</meta>',
        ),
    ]),
    'five-thousand-people.epub' => $epub([
        'p.opf' => $package(
            implode('', array_map(fn(int $n): string => "<dc:creator>Person {$n}</dc:creator>", range(1, 5000))),
        ),
    ]),
    'long-title.epub' => $epub([
        'p.opf' => str_replace('Hostile', str_repeat('𝕋', 200_000), $package('')),
    ]),
    'long-description.epub' => $epub([
        'p.opf' => $package('<dc:description>' . bin2hex($dice->getBytes(3_000_000)) . '</dc:description>'),
    ]),
    'marked-up-title.epub' => $epub([
        'p.opf' => str_replace('Hostile', '&lt;script&gt;alert(1)&lt;/script&gt;', $package('')),
    ]),
    'deep-xml.epub' => $epub(['a.xhtml' => str_repeat('<div>', 50_000) . str_repeat('</div>', 50_000)]),
    'wide-xml.epub' => $epub(['a.xhtml' => '<html>' . str_repeat('<p/>', 400_000) . '</html>']),
    'attributes.epub' => $epub([
        'a.xhtml' => '<p ' . implode(' ', array_map(fn(int $n): string => "a{$n}=''", range(1, 60_000))) . '/>',
    ]),
    'entities.epub' => $epub([
        'a.xhtml' =>
            '<!DOCTYPE x [<!ENTITY a "aaaaaaaaaa">' .
            implode(
                '',
                array_map(
                    fn(int $n): string => "<!ENTITY a{$n} \"" . str_repeat('&a' . ($n - 1 ?: '') . ';', 10) . '">',
                    range(1, 12),
                ),
            ) .
            ']><x>&a12;</x>',
    ]),
    'external.epub' => $epub(['a.xhtml' => '<!DOCTYPE x SYSTEM "http://169.254.169.254/"><x/>']),
    'spine-of-thousands.epub' => $epub(['p.opf' => $package('', '', str_repeat('<itemref idref="a"/>', 100_000))]),
    'items-of-thousands.epub' => $epub([
        'p.opf' => $package(
            '',
            implode(
                '',
                array_map(
                    fn(int $n): string => "<item id=\"i{$n}\" href=\"gone{$n}\" media-type=\"x/y\"/>",
                    range(1, 60_000),
                ),
            ),
        ),
    ]),
    'fallback-circle.epub' => $epub([
        'p.opf' => $package(
            '',
            '<item id="b" href="b" media-type="x/y" fallback="c"/><item id="c" href="c" media-type="x/y" fallback="b"/>',
            '<itemref idref="b"/>',
        ),
    ]),
    'container-circle.epub' => $epub([
        'META-INF/container.xml' => str_replace('p.opf', 'META-INF/container.xml', $container),
    ]),
    'cover-bomb.epub' => $epub([
        'p.opf' => $package('', '<item id="c" href="c.png" media-type="image/png" properties="cover-image"/>'),
        // 50,000 × 50,000 points, it says.
        'c.png' => "\x89PNG\r\n\x1a\n" . pack('N', 13) . 'IHDR' . pack('NN', 50_000, 50_000) . "\x08\x06\0\0\0\0\0\0\0",
    ]),
    'drawn-cover.epub' => $epub([
        'p.opf' => $package('', '<item id="c" href="c.svg" media-type="image/svg+xml" properties="cover-image"/>'),
        'c.svg' => '<svg xmlns="http://www.w3.org/2000/svg" onload="alert(1)"><script>alert(1)</script></svg>',
    ]),
    'no.pdf' => "%PDF-1.7\n",
    'loop.pdf' =>
        "%PDF-1.7\n1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj 2 0 obj<</Type/Pages/Kids[2 0 R]/Count 9>>endobj\ntrailer<</Root 1 0 R>>\n%%EOF",
    'huge-count.pdf' =>
        "%PDF-1.7\n1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj 2 0 obj<</Type/Pages/Kids[3 0 R]/Count 99999999>>endobj 3 0 obj<</Type/Page/Parent 2 0 R/MediaBox[0 0 1e9 1e9]>>endobj\ntrailer<</Root 1 0 R>>\n%%EOF",
    'text-with-head.pdf' => str_repeat(' ', 900) . '%PDF-' . str_repeat('x', 100_000),
    'no.lpf' => $lpf(['name' => 'x']),
    'deep.lpf' => $zip(['publication.json' => str_repeat('{"a":', 5000) . '1' . str_repeat('}', 5000)]),
    'playlist.lpf' => $lpf(
        [
            '@context' => ['https://schema.org', 'https://www.w3.org/ns/pub-context'],
            'conformsTo' => 'https://www.w3.org/TR/audiobooks/',
            'name' => 'x',
            'readingOrder' => [['url' => 'a.mp3', 'encodingFormat' => 'audio/mpeg']],
        ],
        ['a.mp3' => "#EXTM3U\nfile:///etc/passwd\n"],
    ),
    'outside.lpf' => $lpf([
        '@context' => ['https://schema.org', 'https://www.w3.org/ns/pub-context'],
        'conformsTo' => 'https://www.w3.org/TR/audiobooks/',
        'name' => 'x',
        'readingOrder' => [['url' => 'http://169.254.169.254/a.mp3'], ['url' => '../../etc/passwd']],
    ]),
    'no-sound.lpf' => $lpf(
        [
            '@context' => ['https://schema.org', 'https://www.w3.org/ns/pub-context'],
            'conformsTo' => 'https://www.w3.org/TR/audiobooks/',
            'name' => 'x',
            'readingOrder' => ['a.mp3'],
        ],
        ['a.mp3' => $dice->getBytes(200_000)],
    ),
];
foreach ($made as $name => $bytes) {
    file_put_contents("{$folder}/{$name}", $bytes);
}
// Right ones, with something wrong: bytes turned, parts missing, twice or exchanged.
for ($n = count($made); $n < (int) $many; $n++) {
    $from = $whole[$dice->getInt(0, count($whole) - 1)];
    $bytes = (string) file_get_contents($from);
    $length = strlen($bytes);
    $at = $dice->getInt(0, $length - 1);
    switch ($dice->getInt(0, 4)) {
        case 0:
            for ($turned = $dice->getInt(1, 200); $turned > 0; $turned--) {
                $bytes[$dice->getInt(0, $length - 1)] = chr($dice->getInt(0, 255));
            }
            break;
        case 1:
            $bytes = substr($bytes, 0, $at);
            break;
        case 2:
            $bytes = substr($bytes, $at);
            break;
        case 3:
            $bytes = substr_replace($bytes, $dice->getBytes($dice->getInt(1, 5000)), $at, $dice->getInt(0, 5000));
            break;
        default:
            $bytes = substr($bytes, 0, $at) . substr($bytes, $dice->getInt(0, $at));
    }
    file_put_contents(sprintf('%s/turned-%03d.%s', $folder, $n, pathinfo($from, PATHINFO_EXTENSION)), $bytes);
}

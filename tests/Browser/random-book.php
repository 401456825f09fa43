<?php

declare(strict_types=1);

/*
 * Writes a valid EPUB whose structure is drawn by lot: php random-book.php FILE TITLE SEED. Each paragraph begins with
 * a mark of its own, "m7-", in reading order; an entry of the contents is called after the mark it leads to.
 */

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

require __DIR__ . '/../../vendor/autoload.php';

const WORDS = ['pilot', 'harbour', 'été', 'straße', 'lantern', 'Übersee', 'tide-table', 'keeper', 'λιμάνι', 'море'];

[, $file, $title, $seed] = $argv;
$random = new Randomizer(new Xoshiro256StarStar((int) $seed));
$mark = 0;
$sentence = function (int $words) use ($random): string {
    $said = array_map(fn(): string => WORDS[$random->getInt(0, count(WORDS) - 1)], range(1, $words));

    return implode(' ', $said);
};
$paragraph = function () use ($random, &$mark, $sentence): string {
    $mark++;
    $words = $random->getInt(1, 4) === 1 ? $random->getInt(1, 4) : $random->getInt(30, 160);

    return "<p>m{$mark}- {$sentence($words)}</p>";
};
// What paragraphs stand in: nothing, a box, boxes in boxes, a list, a quotation.
$block = function (int $depth) use (&$block, $random, $paragraph): string {
    return match ($depth > 3 ? 0 : $random->getInt(0, 7)) {
        1 => '<div>' . $block($depth + 1) . $block($depth + 1) . '</div>',
        2 => "<blockquote>{$paragraph()}</blockquote>",
        3 => "<ul><li>{$paragraph()}</li><li>{$paragraph()}</li></ul>",
        4 => "<section><div>{$block($depth + 1)}</div><!-- between -->{$paragraph()}</section>",
        default => $paragraph(),
    };
};
$document = fn(string $body): string => '<?xml version="1.0" encoding="UTF-8"?><html ' .
    "xmlns=\"http://www.w3.org/1999/xhtml\"><head><title>x</title></head><body>{$body}</body></html>";
$documents = $entries = [];
$count = $random->getInt(6, 10);
// One of them is too long to be laid out at once.
$long = $random->getInt(1, $count - 2);
for ($d = 0; $d < $count; $d++) {
    $body = '';
    $sections = $d === $long ? 2 : $random->getInt(0, 3);
    for ($s = 0; $s < $sections; $s++) {
        $first = $mark + 1;
        $entries[] = [$s === 0 ? 0 : 1, "m{$first}", "d{$d}.xhtml" . ($s === 0 ? '' : "#s{$s}")];
        $blocks = '';
        for ($b = $d === $long ? 170 : $random->getInt(1, 5); $b > 0; $b--) {
            $blocks .= $block(0);
        }
        $body .= "<h2 id=\"s{$s}\">Of m{$first}</h2>" . ($random->getInt(0, 1) ? "<div>{$blocks}</div>" : $blocks);
    }
    $documents["d{$d}.xhtml"] = $document($body);
}
$nav = '';
$open = false;
foreach ($entries as $n => [$depth, $label, $href]) {
    $next = $entries[$n + 1][0] ?? 0;
    $nav .= "<li><a href=\"{$href}\">{$label}</a>";
    $nav .= match (true) {
        $depth === 0 && $next === 1 => '<ol>',
        $depth === 1 && $next === 0 => '</li></ol></li>',
        default => '</li>',
    };
}
$manifest = $spine = '';
foreach (array_keys($documents) as $n => $name) {
    $manifest .= "<item id=\"i{$n}\" href=\"{$name}\" media-type=\"application/xhtml+xml\"/>";
    $spine .= "<itemref idref=\"i{$n}\"/>";
}
$zip = new ZipArchive();
$zip->open($file, ZipArchive::CREATE | ZipArchive::OVERWRITE);
$zip->addFromString('mimetype', 'application/epub+zip');
$zip->setCompressionName('mimetype', ZipArchive::CM_STORE);
$zip->addFromString(
    'META-INF/container.xml',
    '<?xml version="1.0"?><container xmlns="urn:oasis:names:tc:opendocument:xmlns:container" version="1.0"><rootfiles>' .
        '<rootfile full-path="b/p.opf" media-type="application/oebps-package+xml"/></rootfiles></container>',
);
$zip->addFromString(
    'b/p.opf',
    '<?xml version="1.0"?><package xmlns="http://www.idpf.org/2007/opf" version="3.0" unique-identifier="id" xml:lang="en">' .
        '<metadata xmlns:dc="http://purl.org/dc/elements/1.1/">' .
        "<dc:identifier id=\"id\">urn:x:random:{$seed}:" .
        bin2hex(random_bytes(4)) .
        "</dc:identifier><dc:title>{$title}</dc:title><dc:language>en</dc:language>" .
        '<meta property="dcterms:modified">2026-01-01T00:00:00Z</meta></metadata><manifest><item id="nav" href="nav.xhtml" ' .
        "properties=\"nav\" media-type=\"application/xhtml+xml\"/>{$manifest}</manifest><spine>{$spine}</spine></package>",
);
$zip->addFromString(
    'b/nav.xhtml',
    '<?xml version="1.0"?><html xmlns="http://www.w3.org/1999/xhtml" xmlns:epub="http://www.idpf.org/2007/ops"><head>' .
        "<title>x</title></head><body><nav epub:type=\"toc\"><ol>{$nav}</ol></nav></body></html>",
);
foreach ($documents as $name => $html) {
    $zip->addFromString("b/{$name}", $html);
}
$zip->close();
echo $mark;

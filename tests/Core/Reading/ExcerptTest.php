<?php

declare(strict_types=1);

namespace Tests\Core\Reading;

use Closure;
use FigPorch\Core\Reading\Archive;
use FigPorch\Core\Reading\Epub\Excerpt;
use FigPorch\Core\Reading\Epub\PackageReader;
use FigPorch\Core\Reading\Epub\Xml;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use ZipArchive;

/** What anyone may have of a book is a small part of it, whatever the book is made of. */
final class ExcerptTest extends TestCase
{
    private const SHARE = 0.1;

    private Randomizer $random;

    /** @var Closure(): int how often the reading order names a document */
    private Closure $often;

    /** @var array<string, array{string, string}> media type and bytes, by path */
    private array $items;

    protected function setUp(): void
    {
        $this->random = new Randomizer(new Mt19937(3));
        $this->often = fn(): int => 1;
    }

    public function test_of_odd_books_no_more_than_a_share_is_shown(): void
    {
        $this->often = fn(): int => $this->random->getInt(0, 5) === 0 ? $this->random->getInt(2, 20) : 1;
        $withText = $withPictures = 0;
        for ($n = 0; $n < 150; $n++) {
            $fixed = $this->random->getInt(0, 4) === 0;
            $archive = new Archive($this->oddBook($fixed));
            $publication = PackageReader::read($archive);
            $files = Excerpt::of($archive, $publication, self::SHARE);
            $said = "book {$n}";

            if ($files === []) {
                // A part of so little would be all of it.
                $this->assertLessThan(3, count(array_unique(array_column($publication->spine, 'href'))), $said);

                continue;
            }
            $documents = array_unique(array_map(fn(object $item): string => $item->href, $publication->spine));
            $shown = array_values(array_intersect($documents, array_keys($files)));
            $this->assertNotSame([], $shown, $said);
            $this->assertFalse(
                count($shown) === count($documents) &&
                    array_filter(array_intersect_key($files, array_flip($shown))) === [],
                "{$said}: it is not all",
            );
            $bytesOf = fn(string $path): string => $files[$path] ?? $archive->read($path);
            if ($fixed) {
                $this->assertLessThanOrEqual(max(1, self::SHARE * count($documents)), count($shown), $said);
            } else {
                $all = self::text(array_map($archive->read(...), $documents));
                $part = self::text(array_map($bytesOf, $shown));
                $most = max(min(700, intdiv($all, 3)), self::SHARE * $all);
                $this->assertLessThanOrEqual($most, $part, "{$said}: of {$all} bytes of text");
                $pictures = fn(array $of): int => array_sum(
                    array_map(fn(string $html): int => (int) preg_match_all('/<(img|svg)\b/', $html), $of),
                );
                $this->assertLessThanOrEqual(
                    max(1, self::SHARE * $pictures(array_map($archive->read(...), $documents))),
                    $pictures(array_map($bytesOf, $shown)),
                    "{$said}: pictures that are seen",
                );
                $withText += $part > 0 ? 1 : 0;
            }
            $isPicture = fn(string $path): bool => str_ends_with($path, '.png');
            $here = array_filter(array_keys($files), $isPicture);
            $there = array_filter($archive->paths(), $isPicture);
            $this->assertLessThanOrEqual(max(1, self::SHARE * count($there)), count($here), "{$said}: files");
            $bytes = fn(array $of): int => array_sum(array_map($archive->size(...), $of));
            if (count($here) > 1) {
                $first = max(array_map($archive->size(...), $here));
                $this->assertLessThanOrEqual(self::SHARE * $bytes($there) + $first, $bytes($here), "{$said}: bytes");
            }
            $withPictures += count($here) > 0 ? 1 : 0;
            // No hole is left where a picture was.
            foreach ($shown as $path) {
                preg_match_all('/<img src="([^"]+)"/', $bytesOf($path), $named);
                $this->assertSame([], array_diff($named[1], array_map(basename(...), array_keys($files))), $said);
            }
        }
        $this->assertGreaterThan(60, $withText);
        $this->assertGreaterThan(60, $withPictures);
    }

    public function test_where_a_part_would_be_all_there_is_none(): void
    {
        $picture = '<img src="p.png" alt=""/>';
        foreach (
            [
                [true, [$picture], 0],
                [true, [$picture, $picture], 1],
                [false, [$picture], 0],
                [false, [''], 0],
                [false, ['<p>Ten words that are all of the book, and no more.</p>'], 1],
                [false, [$picture, $picture], 1],
            ]
            as $n => [$fixed, $bodies, $documents]
        ) {
            $this->items = ['p.png' => ['image/png', 'picture']];
            foreach ($bodies as $k => $body) {
                $this->items["d{$k}.xhtml"] = ['application/xhtml+xml', self::page($body)];
            }
            $archive = new Archive($this->packed($fixed));
            $files = Excerpt::of($archive, PackageReader::read($archive), self::SHARE);
            $this->assertCount($documents, preg_grep('/d\d\.xhtml$/', array_keys($files)) ?: [], "book {$n}");
            $this->assertSame($documents === 0, $files === [], "book {$n}");
        }
    }

    public function test_a_text_ends_with_a_whole_word_and_ornaments_do_not_end_it(): void
    {
        $this->items = ['star.png' => ['image/png', 'star']];
        for ($n = 0; $n < 12; $n++) {
            $words = implode(' ', array_map(fn(int $word): string => "lantern{$word}", range(1, 400)));
            $this->items["c{$n}.xhtml"] = [
                'application/xhtml+xml',
                self::page("<img src=\"star.png\"/><p>{$words}</p>"),
            ];
        }
        $archive = new Archive($this->packed(false));
        $files = Excerpt::of($archive, PackageReader::read($archive), self::SHARE);
        $this->assertSame(
            ['OEBPS/c0.xhtml', 'OEBPS/c1.xhtml'],
            array_values(preg_grep('/c\d+.xhtml$/', array_keys($files)) ?: []),
        );
        $this->assertStringContainsString('lantern400', $archive->read('OEBPS/c0.xhtml'));
        $this->assertNull($files['OEBPS/c0.xhtml'], 'the first is whole');
        $this->assertMatchesRegularExpression('/ lantern\d+…<\/p>/', (string) $files['OEBPS/c1.xhtml']);
        $this->assertStringNotContainsString('<img', (string) $files['OEBPS/c1.xhtml'], 'one picture is the share');
    }

    /** @param  array<string>  $documents */
    private static function text(array $documents): int
    {
        return array_sum(array_map(fn(string $html): int => strlen(Xml::body($html)->textContent ?? ''), $documents));
    }

    /** A book of documents of any kind: all text, all pictures, drawings, nothing; pictures named by styles. */
    private function oddBook(bool $fixed): string
    {
        $chance = fn(int $of): bool => $this->random->getInt(1, $of) === 1;
        $this->items = [];
        for ($n = 0, $count = $this->random->getInt(1, 40); $n < $count; $n++) {
            $this->items["p{$n}.png"] = [
                'image/png',
                str_repeat('x', $this->random->getInt(1, $chance(8) ? 90_000 : 900)),
            ];
        }
        $css = '';
        for ($n = 0; $chance(2) && $n < 30; $n++) {
            $css .= ".b{$n} { background: url(p{$this->random->getInt(0, $count - 1)}.png) }\n";
        }
        $this->items['s.css'] = ['text/css', $css];
        for ($n = 0, $documents = $this->random->getInt(1, 30); $n < $documents; $n++) {
            $html = '';
            for ($k = $this->random->getInt(0, 6); $k > 0; $k--) {
                $html .= match ($this->random->getInt(0, 4)) {
                    0 => '<p>' . str_repeat('Words of a book. ', $this->random->getInt(0, 60)) . '</p>',
                    1 => "<div><img src=\"p{$this->random->getInt(0, $count - 1)}.png\" alt=\"\"/></div>",
                    2 => '<svg xmlns="http://www.w3.org/2000/svg"><text>A drawn word</text></svg>',
                    3 => '<p>' . str_repeat('unbroken', $this->random->getInt(1, 400)) . '</p>',
                    default => '<section><h2>Ünïcödé 漢字</h2><p>…</p></section>',
                };
            }
            $this->items["d{$n}.xhtml"] = ['application/xhtml+xml', self::page($html)];
        }

        return $this->packed($fixed);
    }

    private static function page(string $body): string
    {
        return '<?xml version="1.0" encoding="UTF-8"?><html xmlns="http://www.w3.org/1999/xhtml"><head><title>T</title>' .
            "<link rel=\"stylesheet\" href=\"s.css\"/></head><body>{$body}</body></html>";
    }

    private function packed(bool $fixed): string
    {
        $manifest = $spine = '';
        foreach ($this->items as $path => [$type]) {
            $id = strtr($path, '.', '-');
            $manifest .= "<item id=\"{$id}\" href=\"{$path}\" media-type=\"{$type}\"/>";
            $spine .= str_ends_with($path, '.xhtml') ? str_repeat("<itemref idref=\"{$id}\"/>", ($this->often)()) : '';
        }
        $layout = $fixed ? '<meta property="rendition:layout">pre-paginated</meta>' : '';
        $nav = self::page(
            '<nav epub:type="toc" xmlns:epub="http://www.idpf.org/2007/ops"><ol>' .
                '<li><a href="d0.xhtml">A</a></li></ol></nav>',
        );
        $file = tempnam(sys_get_temp_dir(), 'odd') . '.epub';
        $zip = new ZipArchive();
        $zip->open($file, ZipArchive::CREATE);
        $zip->addFromString('mimetype', 'application/epub+zip');
        $zip->addFromString(
            'META-INF/container.xml',
            '<container version="1.0" xmlns="urn:oasis:names:tc:opendocument:xmlns:container"><rootfiles>' .
                '<rootfile full-path="OEBPS/p.opf" media-type="application/oebps-package+xml"/></rootfiles></container>',
        );
        $zip->addFromString(
            'OEBPS/p.opf',
            '<package xmlns="http://www.idpf.org/2007/opf" version="3.0" unique-identifier="i"><metadata ' .
                'xmlns:dc="http://purl.org/dc/elements/1.1/"><dc:identifier id="i">odd</dc:identifier>' .
                "<dc:title>Odd</dc:title><dc:language>en</dc:language>{$layout}</metadata><manifest>" .
                '<item id="nav" href="nav.xhtml" media-type="application/xhtml+xml" properties="nav"/>' .
                "{$manifest}</manifest><spine>{$spine}</spine></package>",
        );
        $zip->addFromString('OEBPS/nav.xhtml', $nav);
        foreach ($this->items as $path => [, $bytes]) {
            $zip->addFromString("OEBPS/{$path}", $bytes);
        }
        $zip->close();

        return $file;
    }
}

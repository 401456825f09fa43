<?php

declare(strict_types=1);

namespace FigPorch\Demo;

use RuntimeException;
use ZipArchive;

/** Writes a valid EPUB 3.3 from a Book; the same book gives the same bytes every time. */
final class EpubBuilder
{
    /** All files carry this time, so that the archive does not depend on when it was made. */
    private const MADE_AT = '2026-01-01T00:00:00Z';

    private const TYPES = [
        'mp3' => 'audio/mpeg',
        'smil' => 'application/smil+xml',
        'svg' => 'image/svg+xml',
        'css' => 'text/css',
        'xhtml' => 'application/xhtml+xml',
    ];

    public function write(Book $book, string $file): void
    {
        @unlink($file);
        $zip = new ZipArchive();
        if ($zip->open($file, ZipArchive::CREATE | ZipArchive::OVERWRITE) !== true) {
            throw new RuntimeException("Cannot write {$file}.");
        }
        $entries = [
            'mimetype' => 'application/epub+zip',
            'META-INF/container.xml' => $this->container(),
            'book/package.opf' => $this->package($book),
            'book/nav.xhtml' => $this->nav($book),
        ];
        foreach ($this->files($book) as $name => $bytes) {
            $entries["book/{$name}"] = $bytes;
        }
        foreach ($entries as $name => $bytes) {
            $zip->addFromString($name, $bytes);
            $zip->setCompressionName($name, $name === 'mimetype' ? ZipArchive::CM_STORE : ZipArchive::CM_DEFLATE);
            $zip->setMtimeName($name, (int) strtotime(self::MADE_AT));
        }
        if (!$zip->close()) {
            throw new RuntimeException("Cannot write {$file}: is the disk full?");
        }
    }

    /** @return array<string, string> file name => bytes, in reading order where they are read */
    private function files(Book $book): array
    {
        $files = [
            'style.css' => $book->magazine
                ? self::MAGAZINE_STYLE
                : ($book->fixedLayout
                    ? self::FIXED_STYLE
                    : self::STYLE),
        ];
        if ($book->cover !== null) {
            $files['cover.svg'] = $book->cover;
            if (!$book->fixedLayout) {
                $files['cover.xhtml'] = $this->document(
                    $book,
                    $book->title,
                    '<section epub:type="cover" class="cover"><img src="cover.svg" alt="' .
                        self::x($book->title) .
                        '"/></section>',
                );
            }
        }
        if (!$book->fixedLayout) {
            $by = self::x(implode(', ', array_column($book->creators, 'name')));
            $files['title.xhtml'] = $this->document(
                $book,
                $book->title,
                '<section epub:type="titlepage" class="titlepage"><h1>' .
                    self::x($book->title) .
                    '</h1><p class="by">' .
                    $by .
                    '</p><p class="publisher">' .
                    self::x($book->publisher) .
                    '</p></section>',
            );
        }
        $page = 0;
        foreach ($book->chapters as $i => $chapter) {
            $body = $book->withPages ? $this->withPageBreaks($chapter['html'], $page) : $chapter['html'];
            $files[$this->chapterName($i)] = $this->document($book, $chapter['title'], $body);
        }
        foreach ($book->pictures as $name => $svg) {
            $files["art/{$name}"] = $svg;
        }
        foreach ($book->readings as $i => $reading) {
            $files[$this->soundName($i)] = $reading['sound'];
            $files[$this->overlayName($i)] = $this->overlay($i, $reading['sentences']);
        }

        return $files;
    }

    private function chapterName(int $i): string
    {
        return sprintf('chapter-%02d.xhtml', $i + 1);
    }

    private function soundName(int $i): string
    {
        return sprintf('sound/chapter-%02d.mp3', $i + 1);
    }

    private function overlayName(int $i): string
    {
        return sprintf('chapter-%02d.smil', $i + 1);
    }

    /**
     * Which sentence is heard when (EPUB 3.3 §9, Media Overlays).
     *
     * @param  list<array{string, float, float}>  $sentences
     */
    private function overlay(int $i, array $sentences): string
    {
        $pairs = '';
        foreach ($sentences as $n => [$id, $begin, $end]) {
            $pairs .= sprintf(
                '<par id="p%d"><text src="%s#%s"/><audio src="%s" clipBegin="%.3Fs" clipEnd="%.3Fs"/></par>',
                $n + 1,
                $this->chapterName($i),
                $id,
                $this->soundName($i),
                $begin,
                $end,
            );
        }

        return '<?xml version="1.0" encoding="UTF-8"?><smil xmlns="http://www.w3.org/ns/SMIL" ' .
            "version=\"3.0\"><body>{$pairs}</body></smil>";
    }

    private function document(Book $book, string $title, string $body): string
    {
        $lang = self::x($book->language);
        $languages = "lang=\"{$lang}\" xml:lang=\"{$lang}\"";
        $dir = $book->rightToLeft ? ' dir="rtl"' : '';
        $viewport = $book->fixedLayout
            ? '<meta name="viewport" content="' .
                ($book->magazine ? 'width=760, height=1040' : 'width=800, height=600') .
                '"/>'
            : '';

        return <<<XML
        <?xml version="1.0" encoding="UTF-8"?>
        <!DOCTYPE html>
        <html xmlns="http://www.w3.org/1999/xhtml" xmlns:epub="http://www.idpf.org/2007/ops" {$languages}{$dir}>
        <head><title>{$this->plain(
            $title,
        )}</title>{$viewport}<link rel="stylesheet" type="text/css" href="style.css"/></head>
        <body>{$body}</body>
        </html>
        XML;
    }

    /** A page begins about every 1,300 characters, before a paragraph. */
    private function withPageBreaks(string $html, int &$page): string
    {
        $since = PHP_INT_MAX;

        return (string) preg_replace_callback(
            '#<p>(.*?)</p>#s',
            function (array $m) use (&$since, &$page): string {
                $break = '';
                if ($since > 1300) {
                    $page++;
                    $break =
                        "<span epub:type=\"pagebreak\" role=\"doc-pagebreak\" id=\"page-{$page}\" " .
                        "aria-label=\"{$page}\"></span>";
                    $since = 0;
                }
                $since += strlen($m[1]);

                return "<p>{$break}{$m[1]}</p>";
            },
            $html,
        );
    }

    private function container(): string
    {
        return '<?xml version="1.0" encoding="UTF-8"?><container version="1.0" ' .
            'xmlns="urn:oasis:names:tc:opendocument:xmlns:container"><rootfiles><rootfile ' .
            'full-path="book/package.opf" media-type="application/oebps-package+xml"/></rootfiles></container>';
    }

    private function package(Book $book): string
    {
        $meta =
            '<dc:identifier id="id">urn:isbn:' .
            $book->isbn .
            '</dc:identifier>' .
            '<dc:title id="title">' .
            self::x($book->title) .
            '</dc:title>' .
            '<dc:language>' .
            self::x($book->language) .
            '</dc:language>' .
            '<meta property="dcterms:modified">' .
            self::MADE_AT .
            '</meta>' .
            '<dc:date>' .
            self::x($book->published) .
            '</dc:date>' .
            '<dc:publisher>' .
            self::x($book->publisher) .
            '</dc:publisher>' .
            '<dc:description>' .
            self::x($book->description) .
            '</dc:description>' .
            ($book->magazine ? '<dc:type>magazine</dc:type>' : '') .
            '<meta property="dcterms:audience">' .
            self::x($book->audience) .
            '</meta>' .
            ($book->ages === null ? '' : '<meta property="schema:typicalAgeRange">' . self::x($book->ages) . '</meta>');
        foreach ($book->creators as $i => $creator) {
            $element = $creator['role'] === 'aut' ? 'creator' : 'contributor';
            $meta .=
                "<dc:{$element} id=\"person{$i}\">" .
                self::x($creator['name']) .
                "</dc:{$element}>" .
                "<meta refines=\"#person{$i}\" property=\"role\" scheme=\"marc:relators\">{$creator['role']}</meta>" .
                "<meta refines=\"#person{$i}\" property=\"file-as\">" .
                self::x($creator['sort']) .
                '</meta>';
        }
        foreach ($book->subjects as $subject) {
            $meta .= '<dc:subject>' . self::x($subject) . '</dc:subject>';
        }
        if ($book->series !== null) {
            $meta .=
                '<meta property="belongs-to-collection" id="series">' .
                self::x($book->series) .
                '</meta><meta refines="#series" property="collection-type">series</meta>' .
                "<meta refines=\"#series\" property=\"group-position\">{$book->seriesPosition}</meta>";
        }
        if ($book->fixedLayout) {
            $meta .=
                '<meta property="rendition:layout">pre-paginated</meta><meta property="rendition:spread">none</meta>';
        }
        foreach ($book->readings as $i => $reading) {
            $meta .= sprintf(
                '<meta property="media:duration" refines="#%s">%.3Fs</meta>',
                str_replace('.', '-', $this->overlayName($i)),
                $reading['seconds'],
            );
        }
        if ($book->readings !== []) {
            $meta .=
                sprintf(
                    '<meta property="media:duration">%.3Fs</meta>',
                    array_sum(array_column($book->readings, 'seconds')),
                ) . '<meta property="media:active-class">spoken</meta>';
        }
        foreach ($book->accessibility as $property => $value) {
            $meta .= "<meta property=\"schema:{$property}\">" . self::x($value) . '</meta>';
        }

        $manifest = '<item id="nav" href="nav.xhtml" media-type="application/xhtml+xml" properties="nav"/>';
        $spine = '';
        foreach ($this->files($book) as $name => $bytes) {
            $id = str_replace(['/', '.'], '-', $name);
            $type = self::TYPES[pathinfo($name, PATHINFO_EXTENSION)];
            $said =
                $name === 'cover.svg'
                    ? ['cover-image']
                    : ($type === self::TYPES['xhtml']
                        ? array_keys(
                            array_filter(
                                ['mathml' => '<math', 'svg' => '<svg'],
                                fn(string $tag): bool => str_contains($bytes, $tag),
                            ),
                        )
                        : []);
            $properties = $said === [] ? '' : ' properties="' . implode(' ', $said) . '"';
            $overlay =
                preg_match('/^chapter-(\d+)\.xhtml$/', $name, $m) === 1 && isset($book->readings[(int) $m[1] - 1])
                    ? " media-overlay=\"chapter-{$m[1]}-smil\""
                    : '';
            $manifest .= "<item id=\"{$id}\" href=\"{$name}\" media-type=\"{$type}\"{$properties}{$overlay}/>";
            $spine .= $type === self::TYPES['xhtml'] ? "<itemref idref=\"{$id}\"/>" : '';
        }
        $direction = $book->rightToLeft ? ' page-progression-direction="rtl"' : '';

        return '<?xml version="1.0" encoding="UTF-8"?><package xmlns="http://www.idpf.org/2007/opf" ' .
            'version="3.0" unique-identifier="id" xml:lang="' .
            self::x($book->language) .
            '">' .
            "<metadata xmlns:dc=\"http://purl.org/dc/elements/1.1/\">{$meta}</metadata>" .
            "<manifest>{$manifest}</manifest><spine{$direction}>{$spine}</spine></package>";
    }

    private function nav(Book $book): string
    {
        $entries = '';
        foreach ($book->chapters as $i => $chapter) {
            if ($chapter['untold'] ?? false) {
                continue;
            }
            $entries .= "<li><a href=\"{$this->chapterName($i)}\">{$this->plain($chapter['title'])}</a></li>";
        }
        $pages = '';
        foreach ($this->files($book) as $name => $bytes) {
            preg_match_all('/id="page-(\d+)"/', $bytes, $m);
            foreach ($m[1] as $page) {
                $pages .= "<li><a href=\"{$name}#page-{$page}\">{$page}</a></li>";
            }
        }
        $body =
            "<nav epub:type=\"toc\" id=\"toc\"><h1>{$this->plain(
                $book->contentsHeading,
            )}</h1><ol>{$entries}</ol></nav>" .
            ($pages === '' ? '' : "<nav epub:type=\"page-list\" hidden=\"hidden\"><ol>{$pages}</ol></nav>");

        return $this->document($book, $book->contentsHeading, $body);
    }

    private function plain(string $text): string
    {
        return self::x($text);
    }

    private static function x(string $text): string
    {
        return htmlspecialchars($text, ENT_XML1 | ENT_QUOTES, 'UTF-8');
    }

    private const STYLE = <<<'CSS'
    body { line-height: 1.5; }
    h1, h2 { line-height: 1.2; text-align: center; margin: 2em 0 1.2em; }
    h2 { font-size: 1.1em; margin: 1.6em 0 .8em; }
    p { margin: 0; text-indent: 1.3em; }
    h1 + p, h2 + p, hr + p, li p, td p, blockquote p, .verse p, .titlepage p { text-indent: 0; }
    hr { border: 0; text-align: center; margin: 1.4em 0; }
    hr::after { content: "· · ·"; }
    blockquote { margin: 1em 2em; }
    table { border-collapse: collapse; margin: 1em auto; font-size: .92em; }
    th, td { border-bottom: 1px solid; padding: .3em .7em; text-align: start; }
    img { max-width: 100%; display: block; margin: 1em auto; }
    .spoken { background: #f6d488; color: #22292f; }
    .cover { text-align: center; margin: 0; }
    .cover img { max-height: 95vh; margin: 0 auto; }
    .titlepage { text-align: center; margin-top: 20%; }
    .titlepage .by { font-size: 1.2em; }
    .titlepage .publisher { margin-top: 4em; font-variant: small-caps; }
    CSS;

    private const MAGAZINE_STYLE = <<<'CSS'
    html, body {
        margin: 0; padding: 0; width: 760px;
        height: 1040px; overflow: hidden; background: #fffdf8; color: #22292f; }
    body { font: 19px/1.5 serif; }
    h1 { font: 700 46px/1.1 serif; margin: 0; }
    .front { position: absolute; inset: 0; }
    .front svg { position: absolute; left: 0; top: 0; width: 760px; height: 1040px; }
    .front h1 { position: absolute; left: 48px; top: 44px; right: 48px; font-size: 74px; color: #fbf8f1; }
    .front .number { position: absolute; left: 50px; top: 220px; margin: 0; font-size: 26px; color: #fbf8f1; }
    .front ul {
        position: absolute; left: 50px; bottom: 60px; margin: 0;
        padding: 0; list-style: none; font: 600 27px/1.5 sans-serif; color: #fbf8f1; }
    .article { position: absolute; left: 48px; right: 48px; top: 0; }
    .article svg { display: block; width: 664px; height: 190px; margin: 48px 0 26px; }
    .article .by { margin: 8px 0 22px; font-style: italic; }
    .article .columns { columns: 2; column-gap: 34px; font-size: 24px; }
    .article .columns p { margin: 0 0 14px; }
    .foot {
        position: absolute; left: 48px; right: 48px; bottom: 26px;
        margin: 0; font: 15px sans-serif; border-top: 1px solid #22292f; padding-top: 8px; }
    CSS;

    private const FIXED_STYLE = <<<'CSS'
    html, body { margin: 0; padding: 0; width: 800px; height: 600px; overflow: hidden; background: #fbf8f1; }
    svg { position: absolute; left: 0; top: 0; width: 800px; height: 600px; }
    p {
        position: absolute; left: 60px; right: 60px; bottom: 40px;
        margin: 0; font: 600 30px/1.3 sans-serif; text-align: center; color: #22292f; }
    h1 {
        position: absolute; left: 40px; right: 40px; top: 50px;
        margin: 0; font: 700 54px/1.15 sans-serif; text-align: center; color: #22292f; }
    CSS;
}

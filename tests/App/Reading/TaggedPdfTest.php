<?php

declare(strict_types=1);

namespace Tests\App\Reading;

use App\Reading\Pages\TaggedPdf;
use Dompdf\Dompdf;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Symfony\Component\Process\Process;

/** The structure of pages, as Poppler reads it from the PDF; whether the file is one, qpdf says. */
final class TaggedPdfTest extends TestCase
{
    private const TYPES = [
        'h1' => 'H1',
        'h2' => 'H2',
        'p' => 'P',
        'blockquote' => 'BlockQuote',
        'section' => 'Sect',
        'div' => 'Div',
        'ul' => 'L',
        'ol' => 'L',
        'table' => 'Table',
        'thead' => 'THead',
        'tbody' => 'TBody',
        'tr' => 'TR',
        'th' => 'TH',
        'td' => 'TD',
    ];

    private Randomizer $random;

    private string $file;

    protected function setUp(): void
    {
        $this->random = new Randomizer(new Mt19937(22));
        $this->file = (string) tempnam(sys_get_temp_dir(), 'tagged');
    }

    protected function tearDown(): void
    {
        unlink($this->file);
    }

    public function test_what_stands_in_a_document_of_any_build_is_in_the_pdf_in_order_and_once(): void
    {
        $pages = 0;
        for ($n = 0; $n < 8; $n++) {
            $html = $this->section(0);
            $this->set("<body>{$html}</body>");
            $document = new \DOMDocument();
            $document->loadHTML("<?xml encoding=\"utf-8\"?><body>{$html}</body>", LIBXML_NOERROR);
            $body = $document->getElementsByTagName('body')->item(0);
            $this->assertNotNull($body);
            $this->assertSame(['Document', self::expected($body)], $this->structure(), $html);
            $pages += (int) preg_replace('/.*^Pages:\s+(\d+).*/ms', '$1', $this->said('pdfinfo', $this->file));
        }
        $this->assertGreaterThan(12, $pages, 'some of it goes over pages');
    }

    public function test_pictures_are_what_they_show_or_nothing_and_languages_are_said(): void
    {
        $drop =
            'data:image/png;base64,' .
            'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';
        $this->set(
            "<body lang=\"es\"><p lang=\"en-GB\">A lamp <i lang=\"fr\" data-element=\"0\">à la mode</i></p>
                <i data-element=\"2\">Outside</i><img alt=\"Faro (ñ) de noche\" src=\"{$drop}\">
                <img alt=\"\" src=\"{$drop}\"><img src=\"{$drop}\"></body>",
        );
        $plain = $this->said('qpdf', '--qdf', '--object-streams=disable', $this->file, '-');
        $text = fn(string $of): string => '<feff' . bin2hex(mb_convert_encoding($of, 'UTF-16BE', 'UTF-8')) . '>';
        $this->assertSame(1, preg_match_all('~/S /Figure~', $plain));
        $this->assertMatchesRegularExpression("~/Alt {$text('Faro (ñ) de noche')}~", $plain);
        foreach (['es' => '/Type /Catalog', 'en-GB' => '/S /P', 'fr' => '/S /Span'] as $lang => $of) {
            $this->assertMatchesRegularExpression("~/Lang {$text($lang)}(?:(?!endobj).)*{$of}~s", $plain, $lang);
        }
        $this->assertStringContainsString('/DisplayDocTitle true', $plain);
        // A book's own attributes are not taken for ours.
        $this->assertStringContainsString("\n  \"Outside\"", $this->said('pdfinfo', '-struct-text', $this->file));
    }

    public function test_words_stay_apart_where_a_line_ends(): void
    {
        $this->set('<body><p>' . str_repeat('Lantern harbour ', 30) . 'first<br>second</p></body>');
        $marks = $this->said('qpdf', '--qdf', '--object-streams=disable', $this->file, '-');
        preg_match_all('~/ActualText <feff([0-9a-f]+)>~', $marks, $found);
        $this->assertGreaterThan(4, count($found[1]));
        foreach ($found[1] as $hex) {
            $this->assertSame(' ', mb_convert_encoding((string) hex2bin($hex), 'UTF-8', 'UTF-16BE')[0]);
        }
    }

    private function set(string $body): void
    {
        $pdf = new Dompdf();
        preg_match('/^<body( lang="\w+")?/', $body, $lang);
        $language = $lang[1] ?? ' lang="en"';
        $pdf->loadHtml("<!doctype html><html{$language}><meta charset=\"utf-8\"><title>A title</title>{$body}</html>");
        $tagged = new TaggedPdf($pdf);
        $pdf->render();
        file_put_contents($this->file, $tagged->output());
        $this->assertStringContainsString(
            'No syntax or stream encoding errors',
            $this->said('qpdf', '--check', $this->file),
        );
        $this->assertMatchesRegularExpression('/^Tagged:\s+yes$/m', $this->said('pdfinfo', $this->file));
    }

    private function said(string ...$command): string
    {
        return (new Process(array_values($command)))->mustRun()->getOutput();
    }

    private function words(int $most): string
    {
        $words = array_map(
            fn(): string => ['harbour', 'lamp', 'the', 'señal', 'of', 'rock', '1984', 'sea-wall'][
                $this->random->getInt(0, 7)
            ],
            range(1, $this->random->getInt(1, $most)),
        );

        return implode(' ', $words);
    }

    private function section(int $depth): string
    {
        $parts = '';
        for ($n = $this->random->getInt(2, 5); $n > 0; $n--) {
            $parts .= match ($this->random->getInt(0, $depth > 2 ? 4 : 7)) {
                0 => "<h1>{$this->words(4)}</h1>",
                1 => "<h2>{$this->words(4)} <i>{$this->words(2)}</i></h2>",
                2, 3 => "<p>{$this->words(200)} <em>{$this->words(5)}</em>, {$this->words(9)}<br>{$this->words(3)}</p>",
                4 => $this->table(),
                5 => $this->list($depth),
                6 => "<blockquote><p>{$this->words(30)}</p>{$this->section($depth + 1)}</blockquote>",
                7 => "<section>{$this->section($depth + 1)}</section>",
            };
        }

        return "<div>{$parts}</div>";
    }

    private function table(): string
    {
        $rows = array_map(
            fn(): string => "<tr><td>{$this->words(3)}</td><td><p>{$this->words(2)}</p></td></tr>",
            range(1, $this->random->getInt(1, 60)),
        );

        return '<table><thead><tr><th>Name</th><th>Where</th></tr></thead><tbody>' .
            implode('', $rows) .
            '</tbody></table>';
    }

    private function list(int $depth): string
    {
        $kind = $this->random->getInt(0, 1) === 0 ? 'ul' : 'ol';
        $items = array_map(
            fn(): string => "<li>{$this->words(12)}" . ($depth < 2 ? $this->list($depth + 1) : '') . '</li>',
            range(1, $this->random->getInt(1, 4)),
        );

        return "<{$kind}>" . implode('', $items) . "</{$kind}>";
    }

    /**
     * @return list<mixed> the texts between elements, spaces left out, and of each element its type and what is in it
     */
    private static function expected(\DOMElement $of): array
    {
        $parts = [];
        foreach ($of->childNodes as $node) {
            if (!($node instanceof \DOMElement)) {
                $parts[] = (string) $node->textContent;
            } elseif ($node->nodeName === 'li') {
                $label = $of->nodeName === 'ol' ? [['Lbl', [self::place($node) . '.']]] : [];
                $parts[] = ['LI', [...$label, ['LBody', self::expected($node)]]];
            } elseif (isset(self::TYPES[$node->nodeName])) {
                $parts[] = [self::TYPES[$node->nodeName], self::expected($node)];
            } else {
                array_push($parts, ...self::expected($node));
            }
        }

        return self::joined($parts);
    }

    private static function place(\DOMElement $item): int
    {
        $place = 1;
        for ($before = $item->previousSibling; $before !== null; $before = $before->previousSibling) {
            $place++;
        }

        return $place;
    }

    /**
     * @param  list<mixed>  $parts
     * @return list<mixed>
     */
    private static function joined(array $parts): array
    {
        $joined = [];
        foreach ($parts as $part) {
            if (is_array($part)) {
                $joined[] = $part;
            } elseif (is_string($part) && ($part = (string) preg_replace('/\s+/u', '', $part)) !== '') {
                $last = end($joined);
                is_string($last) && array_pop($joined);
                $joined[] = (is_string($last) ? $last : '') . $part;
            }
        }

        return $joined;
    }

    /** @return array{string, list<mixed>} as expected(), of the document */
    private function structure(): array
    {
        $lines = explode("\n", rtrim($this->said('pdfinfo', '-struct-text', $this->file)));
        $this->assertSame('Document', $lines[0]);
        $at = 1;

        return ['Document', self::read($lines, $at, 2)];
    }

    /**
     * @param  list<string>  $lines
     * @return list<mixed>
     */
    private static function read(array $lines, int &$at, int $indent): array
    {
        $parts = [];
        while ($at < count($lines)) {
            $line = ltrim($lines[$at], ' ');
            if (strlen($lines[$at]) - strlen($line) < $indent) {
                break;
            }
            $at++;
            if (str_starts_with($line, '"')) {
                $parts[] = substr($line, 1, -1);
            } elseif (!str_starts_with($line, '/')) {
                // What begins with a stroke is an attribute of the element above.
                $parts[] = [strtok($line, ' :'), self::read($lines, $at, $indent + 2)];
            }
        }

        return self::joined($parts);
    }
}

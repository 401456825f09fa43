<?php

declare(strict_types=1);

namespace Tests\App\Reading;

use App\Reading\Publications\Poppler;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Process\Process;
use Tests\App\TestCase;

/** Pages that anyone may have bring nothing of the others with them, however a PDF ties its pages together. */
final class PdfExcerptTest extends TestCase
{
    private const PAGES = 20;

    /**
     * @return iterable<string, array{string, string, string}> what is in a page's dictionary, in the catalogue, and
     *     other objects
     */
    public static function ties(): iterable
    {
        $names = implode(' ', array_map(fn(int $n): string => "(p{$n}) [{$n} 0 R /Fit]", range(11, 30)));
        yield 'a link to the last page' => [
            '/Annots [<< /Type /Annot /Subtype /Link /Rect [0 0 99 99] /Dest [30 0 R /Fit] >>]',
            '',
            '',
        ];
        yield 'an action that goes to it' => [
            '/Annots [<< /Type /Annot /Subtype /Link /Rect [0 0 99 99] /A << /S /GoTo /D [30 0 R /Fit] >> >>]' .
            ' /AA << /O << /S /GoTo /D [29 0 R /Fit] >> >>',
            '/OpenAction [30 0 R /Fit]',
            '',
        ];
        yield 'beads of an article' => [
            '/B [90 0 R]',
            '/Threads [92 0 R]',
            "90 0 obj << /T 92 0 R /P 11 0 R /N 91 0 R /V 91 0 R /R [0 0 9 9] >> endobj\n" .
            "91 0 obj << /T 92 0 R /P 30 0 R /N 90 0 R /V 90 0 R /R [0 0 9 9] >> endobj\n" .
            "92 0 obj << /F 90 0 R /I << /Title (An article) >> >> endobj\n",
        ];
        yield 'names, an outline and an open parent' => [
            '/Kept [12 0 R 20 0 R 30 0 R]',
            "/Names << /Dests << /Names [{$names}] >> >> /Outlines 93 0 R",
            "93 0 obj << /Type /Outlines /First 94 0 R /Last 94 0 R /Count 1 >> endobj\n" .
            "94 0 obj << /Title (End) /Parent 93 0 R /Dest [30 0 R /Fit] >> endobj\n",
        ];
        yield 'a file within the file' => [
            '/Annots [<< /Type /Annot /Subtype /FileAttachment /Rect [0 0 9 9] /FS 95 0 R >>]',
            '/Names << /EmbeddedFiles << /Names [(whole) 95 0 R] >> >>',
            "95 0 obj << /Type /Filespec /F (whole.txt) /EF << /F 96 0 R >> >> endobj\n" .
            "96 0 obj << /Type /EmbeddedFile /Length 25 >> stream\nSecret words of page 30.\n\nendstream endobj\n",
        ];
    }

    #[DataProvider('ties')]
    public function test_nothing_of_the_other_pages_comes_along(string $page, string $catalogue, string $others): void
    {
        $file = self::tied($page, $catalogue, $others);
        $this->assertSame(self::PAGES, app(Poppler::class)->describe($file)['pages']);
        $excerpt = tempnam(sys_get_temp_dir(), 'excerpt') . '.pdf';
        app(Poppler::class)->cut($file, 1, 2, $excerpt);

        // qpdf reads it, which had no part in making it.
        $all = $this->said(['qpdf', '--qdf', '--object-streams=disable', $excerpt, '-']);
        $this->assertSame(2, preg_match_all('~/Type /Page\b(?!s)~', $all), 'as many pages as were asked for');
        $this->assertStringNotContainsString('whole.txt', $all);
        $text = $this->said(['pdftotext', $excerpt, '-']);
        $this->assertStringContainsString('Secret words of page 1.', $text);
        $this->assertStringContainsString('Secret words of page 2.', $text);
        foreach (range(3, self::PAGES) as $n) {
            $this->assertStringNotContainsString("words of page {$n}.", $text . $all);
        }
        $this->assertLessThan(filesize($file), filesize($excerpt));
    }

    /** Each page with a stream of its own, and something that hardly shrinks, so that pages have a size. */
    private static function tied(string $page, string $catalogue, string $others): string
    {
        $body = "%PDF-1.7\n1 0 obj << /Type /Catalog /Pages 2 0 R {$catalogue} >> endobj\n";
        $kids = implode(' ', array_map(fn(int $n): string => "{$n} 0 R", range(11, 10 + self::PAGES)));
        $body .= '2 0 obj << /Type /Pages /Count ' . self::PAGES . " /Kids [{$kids}] >> endobj\n";
        $body .= "3 0 obj << /Type /Font /Subtype /Type1 /BaseFont /Helvetica >> endobj\n";
        for ($n = 1; $n <= self::PAGES; $n++) {
            $noise = implode(
                ' ',
                array_map(
                    fn(int $i): string => crc32("{$n} {$i}") % 600 . ' ' . crc32("{$i} {$n}") % 800 . ' l',
                    range(1, 800),
                ),
            );
            $stream = "BT /F1 12 Tf 72 700 Td (Secret words of page {$n}.) Tj ET 0 0 m {$noise} S";
            $body .=
                10 +
                $n .
                ' 0 obj << /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Contents ' .
                (40 + $n) .
                " 0 R /Resources << /Font << /F1 3 0 R >> >> {$page} >> endobj\n";
            $body .= 40 + $n . ' 0 obj << /Length ' . strlen($stream) . " >> stream\n{$stream}\nendstream endobj\n";
        }
        $file = tempnam(sys_get_temp_dir(), 'tied') . '.pdf';
        // Readers make the table of objects anew where there is none.
        file_put_contents($file, $body . $others . "trailer << /Root 1 0 R >>\n%%EOF\n");

        return $file;
    }

    /** @param  list<string>  $command */
    private function said(array $command): string
    {
        $process = new Process($command);
        $process->run();
        $this->assertContains($process->getExitCode(), [0, 3], $process->getErrorOutput());

        return $process->getOutput();
    }
}

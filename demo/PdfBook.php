<?php

declare(strict_types=1);

namespace FigPorch\Demo;

use App\Reading\Pages\TaggedPdf;
use Dompdf\Adapter\CPDF;
use Dompdf\Dompdf;
use Dompdf\Options;

/** An ebook as a PDF: pages as they were set, with an outline and tags. */
final class PdfBook
{
    /** Written into the file in place of the time at which it is made, so that the same book is the same file. */
    private const MADE_AT = "D:20260101000000+00'00'";

    private const STYLE =
        '@page { size: A5; margin: 18mm 16mm; } body { font-family: "DejaVu Serif", serif; ' .
        'font-size: 10pt; line-height: 1.5; } h1 { font-size: 17pt; page-break-before: always; } h1.title { ' .
        'font-size: 26pt; page-break-before: avoid; margin-top: 40mm; } table { border-collapse: collapse; } td, ' .
        'th { border: 0.5pt solid #999; padding: 2pt 5pt; }';

    public function write(Book $book, string $file): void
    {
        $by = $book->creators[0]['name'];
        $chapters = implode(
            '',
            array_map(
                fn(array $c): string => (string) preg_replace('~<svg.*?</svg>|<img[^>]*>~s', '', $c['html']),
                $book->chapters,
            ),
        );
        $pdf = new Dompdf(
            new Options([
                'isRemoteEnabled' => false,
                'defaultFont' => 'DejaVu Serif',
                'tempDir' => sys_get_temp_dir(),
                'fontCache' => sys_get_temp_dir(),
            ]),
        );
        $pdf->loadHtml(
            '<!doctype html><html lang="en"><head><meta charset="utf-8"><style>' .
                self::STYLE .
                '</style></head><body><h1 class="title">' .
                htmlspecialchars($book->title) .
                '</h1><p>' .
                htmlspecialchars($by) .
                "</p>{$chapters}</body></html>",
            'UTF-8',
        );
        $tagged = new TaggedPdf($pdf);
        $pdf->render();
        foreach (
            [
                'Title' => $book->title,
                'Author' => $by,
                'Subject' => $book->description,
                'Keywords' => $book->isbn,
                'CreationDate' => self::MADE_AT,
                'ModDate' => self::MADE_AT,
            ]
            as $name => $value
        ) {
            $pdf->addInfo($name, $value);
        }
        $canvas = $pdf->getCanvas();
        \assert($canvas instanceof CPDF);
        $canvas->get_cpdf()->fileIdentifier = md5($book->isbn);
        file_put_contents($file, $tagged->output());
    }
}

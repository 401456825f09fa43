<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Models\Publication;
use App\Reading\Publications\Poppler;
use App\Reading\Publications\UnpackPdf;
use Dompdf\Dompdf;
use Dompdf\Options;
use FigPorch\Core\Reading\Epub\Href;
use FigPorch\Core\Reading\Epub\Passage;
use FigPorch\Core\Reading\Pages;
use Symfony\Component\HtmlSanitizer\HtmlSanitizer;
use Symfony\Component\HtmlSanitizer\HtmlSanitizerConfig;

/** Pages of a publication as plain HTML: its text and pictures, and nothing that acts. */
final class PrintedPages
{
    /** Letters of the scripts that the font of a PDF has, and that stand one beside another as they are written. */
    private const SETTABLE = '\p{Latin}\p{Greek}\p{Cyrillic}\p{Armenian}\p{Georgian}\p{Common}\p{Inherited}';

    /** Whether HTML can be set as a PDF: other scripts, and what is beyond the basic plane, would be boxes there. */
    public static function isSettable(string $html): bool
    {
        return preg_match(
            '/(?![' . self::SETTABLE . '])\p{L}|[\x{10000}-\x{10FFFF}]/u',
            html_entity_decode(strip_tags($html), ENT_QUOTES | ENT_HTML5),
        ) === 0;
    }

    /**
     * @param  callable(string): string  $address  of a picture by its path
     */
    public static function html(Publication $publication, Pages $pages, int $from, int $to, callable $address): string
    {
        $folder = storage_path("publications/{$publication->sha256}/whole");
        $passage = Passage::of(
            array_column($publication->positions, 0),
            fn(string $path): string => (string) file_get_contents("{$folder}/{$path}"),
            $pages->start($from),
            $pages->end($to),
        );
        $sanitizer = new HtmlSanitizer(
            (new HtmlSanitizerConfig())
                ->allowSafeElements()
                ->allowRelativeMedias()
                ->allowMediaSchemes([])
                ->dropElement('a')
                ->blockElement('a')
                ->dropAttribute('style', '*')
                ->dropAttribute('class', '*')
                ->dropAttribute('id', '*')
                ->dropAttribute('srcset', '*')
                ->withMaxInputLength(-1),
        );
        $html = '';
        foreach ($passage as ['path' => $path, 'markup' => $markup]) {
            // Pictures first, as long as it is known from where they are named.
            $markup = (string) preg_replace_callback(
                '/<img\b([^>]*?)\bsrc="([^"]*)"/i',
                function (array $m) use ($path, $publication, $address): string {
                    $target = Href::resolve($path, html_entity_decode($m[2], ENT_QUOTES | ENT_HTML5));

                    return $target === null || !isset($publication->sizes[$target])
                        ? "<img{$m[1]}"
                        : "<img{$m[1]}src=\"" . e($address($target)) . '"';
                },
                $markup,
            );
            $html .= '<section>' . $sanitizer->sanitize($markup) . '</section>';
        }

        return $html;
    }

    /**
     * The pages of a PDF, as pictures.
     *
     * @param  callable(int): string  $address  of the picture of a page
     */
    public static function pictures(int $from, int $to, callable $address): string
    {
        return implode(
            '',
            array_map(
                fn(int $page): string => '<section><img alt="' .
                    e(trans_choice('pages.pages_shown', 1, ['first' => $page])) .
                    '" src="' .
                    e($address($page)) .
                    '"></section>',
                range($from, $to),
            ),
        );
    }

    /** @return string a PNG picture of a page of a PDF */
    public static function picture(Publication $publication, Poppler $tools, int $page): string
    {
        return $tools->page(self::document($publication), $page);
    }

    /** Some pages of a PDF as a PDF of their own, at the path $file. */
    public static function part(Publication $publication, Poppler $tools, int $from, int $to, string $file): void
    {
        $tools->cut(self::document($publication), $from, $to, $file);
    }

    private static function document(Publication $publication): string
    {
        return storage_path("publications/{$publication->sha256}/whole/" . UnpackPdf::NAME);
    }

    /** @param  string  $page  a whole page of HTML whose pictures lie in the publication's folder */
    public static function pdf(Publication $publication, string $page): string
    {
        $folder = storage_path("publications/{$publication->sha256}/whole");
        $options = new Options([
            'chroot' => [$folder],
            'isRemoteEnabled' => false,
            'isPhpEnabled' => false,
            'isJavascriptEnabled' => false,
            'defaultFont' => 'DejaVu Serif',
            'defaultPaperSize' => 'a4',
            'tempDir' => sys_get_temp_dir(),
            'fontCache' => sys_get_temp_dir(),
        ]);
        $pdf = new Dompdf($options);
        $pdf->setBasePath($folder);
        $pdf->loadHtml($page, 'UTF-8');
        $tagged = new TaggedPdf($pdf);
        $pdf->render();

        return $tagged->output();
    }
}

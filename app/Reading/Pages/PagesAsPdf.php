<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Models\Loan;
use App\Models\Publication;
use App\Reading\Prepared\FileMaker;
use App\Reading\Publications\Poppler;

/** Some pages of a loan as a PDF of their own. */
final class PagesAsPdf implements FileMaker
{
    /** Set or drawn in less than half a second. */
    private const QUICK_PAGES = 5;

    public function __construct(
        private readonly LoanPages $loanPages,
        private readonly PagesFacts $facts,
        private readonly Poppler $pdfTools,
    ) {}

    public static function kind(int $from, int $to): string
    {
        return "pages {$from}-{$to}";
    }

    public function makes(string $kind): bool
    {
        return preg_match('/^pages \d+-\d+$/', $kind) === 1;
    }

    public function isQuick(Loan $loan, string $kind): bool
    {
        [$from, $to] = self::span($kind);

        return $to - $from < self::QUICK_PAGES;
    }

    public function make(Loan $loan, string $kind, string $to, callable $told): void
    {
        [$first, $last] = self::span($kind);
        $publication = $loan->title->publication ?? abort(404);
        if ($publication->media_type === Publication::PDF) {
            PrintedPages::part($publication, $this->pdfTools, $first, $last, $to);

            return;
        }
        $html = PrintedPages::html(
            $publication,
            $this->loanPages->pages($publication),
            $first,
            $last,
            fn(string $path): string => $path,
        );
        $page = view('reading.pages.printed-pdf', $this->facts->of($loan, $first, $last) + ['html' => $html]);
        file_put_contents($to, PrintedPages::pdf($publication, $page->render()));
    }

    public function named(Loan $loan, string $kind): array
    {
        [$from, $to] = self::span($kind);

        return ["pages-{$from}-{$to}.pdf", Publication::PDF];
    }

    /** @return array{int, int} */
    private static function span(string $kind): array
    {
        sscanf($kind, 'pages %d-%d', $from, $to);

        return [(int) $from, (int) $to];
    }
}

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
        file_put_contents($to, PrintedPages::pdf($publication, $this->page($loan, $publication, $first, $last)));
    }

    /** Whether all letters of the pages, and of what stands above and below them, are ones that can be set. */
    public function canMake(Loan $loan, Publication $publication, int $first, int $last): bool
    {
        return $publication->media_type === Publication::PDF ||
            PrintedPages::isSettable($this->page($loan, $publication, $first, $last));
    }

    private function page(Loan $loan, Publication $publication, int $first, int $last): string
    {
        $html = PrintedPages::html(
            $publication,
            $this->loanPages->pages($publication),
            $first,
            $last,
            fn(string $path): string => $path,
        );

        return view('reading.pages.printed-pdf', $this->facts->of($loan, $first, $last) + ['html' => $html])->render();
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

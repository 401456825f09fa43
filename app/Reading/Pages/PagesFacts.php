<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Catalogue\Citations\CitableTitles;
use App\Models\Loan;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\Citation\Reference;
use FigPorch\Core\Catalogue\Citation\Style;

/** What stands above and below printed pages: of which title they are, which pages, and how to cite it. */
final class PagesFacts
{
    public function __construct(private readonly LoanPages $loanPages, private readonly CitableTitles $citable) {}

    /** @return array<string, mixed> for the views of printed pages */
    public function of(Loan $loan, int $from, int $to): array
    {
        $pages = $this->loanPages->pages($loan->title->publication ?? abort(404));
        $cited = $this->citable->titles(
            [$loan->title_id],
            fn(int $id): string => url("/titles/{$id}"),
            CarbonImmutable::now($loan->card?->library->zone()),
        )[0];

        return [
            'loan' => $loan,
            'title' => $loan->title,
            'first' => $pages->label($from),
            'last' => $pages->label($to),
            'citation' => Reference::text($cited, Style::Apa),
            'from' => $from,
            'to' => $to,
        ];
    }
}

<?php

declare(strict_types=1);

namespace App\Queries\Reading;

use App\Models\Loan;
use App\Models\Publication;
use FigPorch\Core\Reading\PageAllowance;
use FigPorch\Core\Reading\Pages;
use FigPorch\Core\Reading\Point;
use Illuminate\Support\Facades\DB;

/** What a loan may print and copy, and has. */
final class LoanPages
{
    public function allowance(Loan $loan): PageAllowance
    {
        return new PageAllowance($loan->licence->rights()->pages, array_values(array_map(intval(...), DB::table('pages_taken')->where('loan_id', $loan->id)->pluck('page')->all())));
    }

    public function pages(Publication $publication): Pages
    {
        return Pages::of($publication->page_list, $publication->positions, $publication->lengths);
    }

    /**
     * The entries of the contents with their pages.
     *
     * @return list<array{name: string, from: int, to: int}>
     */
    public function chapters(Publication $publication): array
    {
        $pages = $this->pages($publication);
        $chapters = [];
        foreach ($publication->chapters as $n => [$name, $document, $offset]) {
            $next = $publication->chapters[$n + 1] ?? null;
            $from = $pages->at(new Point($document, $offset));
            $end = $next === null ? $pages->count() : $pages->at(new Point($next[1], $next[2]));
            // A page on which the next chapter begins at its very top is the next chapter's alone.
            $startsPage = $next !== null && $end > $from && ! $pages->start($end)->isBefore(new Point($next[1], $next[2]));
            $chapters[] = ['name' => $name, 'from' => $from, 'to' => max($from, $startsPage ? $end - 1 : $end)];
        }

        return $chapters;
    }
}

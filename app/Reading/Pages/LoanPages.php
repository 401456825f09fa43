<?php

declare(strict_types=1);

namespace App\Reading\Pages;

use App\Models\Loan;
use App\Models\Publication;
use FigPorch\Core\Reading\PageAllowance;
use FigPorch\Core\Reading\Pages;
use FigPorch\Core\Reading\Point;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What a loan may print and copy, and has. */
final class LoanPages
{
    public function allowance(Loan $loan): PageAllowance
    {
        return new PageAllowance(
            $loan->licence->rights()->pages,
            array_values(
                DB::table('pages_taken')
                    ->where('loan_id', $loan->id)
                    ->get(['starts', 'ends'])
                    ->map(fn(stdClass $of): array => [(float) $of->starts, (float) $of->ends])
                    ->all(),
            ),
        );
    }

    public function pages(Publication $publication): Pages
    {
        return Pages::of($publication->page_list, $publication->positions, $publication->lengths);
    }

    /** Pages before a point in a document, which is so far in its text (0 to 1). */
    public function before(Publication $publication, int $document, float $share): float
    {
        // A page of a PDF is a document to whoever reads it.
        return $publication->media_type === Publication::PDF
            ? $document + $share
            : $this->pages($publication)->before(
                new Point($document, (int) round($share * ($publication->lengths[$document] ?? 0))),
            );
    }

    /**
     * The entries of the contents with their pages.
     *
     * @return list<array{name: string, from: int, to: int}>
     */
    public function chapters(Publication $publication): array
    {
        $pages = $this->pages($publication);
        // A heading that leads nowhere has no pages of its own.
        $entries = array_values(array_filter($publication->contents, fn(array $entry): bool => isset($entry[2])));
        $chapters = [];
        foreach ($entries as $n => $entry) {
            $next = isset($entries[$n + 1]) ? new Point($entries[$n + 1][2], $entries[$n + 1][3] ?? 0) : null;
            $from = $pages->at(new Point($entry[2], $entry[3] ?? 0));
            $to = $next === null ? $pages->count() : $pages->at($next);
            // A page at whose very top the next chapter begins is the next chapter's alone.
            $isOfNext = $next !== null && $to > $from && !$pages->start($to)->isBefore($next);
            $chapters[] = ['name' => $entry[1], 'from' => $from, 'to' => $isOfNext ? $to - 1 : max($from, $to)];
        }

        return $chapters;
    }
}

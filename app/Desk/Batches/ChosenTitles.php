<?php

declare(strict_types=1);

namespace App\Desk\Batches;

use App\Catalogue\Search\CatalogueSearch;
use App\Catalogue\Search\SearchRequest;
use App\Desk\Titles\FindTitles;
use App\Lending\LoanRules\CardEligibility;
use App\Models\Library;
use App\Models\StaffList;
use App\Models\Title;
use DateTimeImmutable;

/** Titles that are chosen together: by a search, by a list, by the numbers of a file. */
final class ChosenTitles
{
    /** In one batch. */
    public const MOST = 2000;

    /** Lines of a file that are looked at. */
    private const MOST_LINES = 5000;

    public function __construct(private readonly FindTitles $find, private readonly CatalogueSearch $catalogue) {}

    /** @return list<int> as the page of titles finds them */
    public function bySearch(Library $library, string $words): array
    {
        return array_slice($this->find->ids($library, $words), 0, self::MOST);
    }

    /** @return list<int> in the list's order */
    public function byList(StaffList $list, DateTimeImmutable $now): array
    {
        if ($list->words === null) {
            return array_values(array_map(intval(...), $list->titles()->pluck('titles.id')->all()));
        }
        $search = SearchRequest::read($list->library_id, ['q' => $list->words], new CardEligibility());
        $total = $this->catalogue->total($search, $now);

        return $total === 0
            ? []
            : array_values(
                array_map(
                    fn(Title $title): int => $title->id,
                    $this->catalogue->page($search, $total, $now, self::MOST)->items(),
                ),
            );
    }

    /**
     * @param  string  $text  a number a line, or a table with the number in the first column that has one
     * @return array{list<int>, list<string>} titles, each once, and the lines that name none
     */
    public function byNumbers(string $text): array
    {
        $titles = [];
        $unknown = [];
        $heads = null;
        $lines = array_slice((array) preg_split('/\R/u', $text), 0, self::MOST_LINES);
        foreach ($lines as $line) {
            $found = [];
            foreach ((array) preg_split('/[,;\t]/', (string) $line) as $cell) {
                $found = $this->find->byNumber(trim((string) $cell, " \t\"'"));
                if ($found !== []) {
                    break;
                }
            }
            if ($found !== []) {
                $titles += array_flip($found);
            } elseif ($heads === null && preg_match('/\d/', (string) $line) === 0 && trim((string) $line) !== '') {
                // The first line without a digit names the columns.
                $heads = $line;
            } elseif (trim((string) $line) !== '') {
                $unknown[] = mb_substr(trim((string) $line), 0, 120);
            }
        }

        return [array_slice(array_keys($titles), 0, self::MOST), $unknown];
    }
}

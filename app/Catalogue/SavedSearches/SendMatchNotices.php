<?php

declare(strict_types=1);

namespace App\Catalogue\SavedSearches;

use App\Account\Notices\GiveNotice;
use App\Catalogue\Search\SearchRequest;
use App\Lending\LoanRules\CardEligibility;
use App\Models\SavedSearch;
use DateTimeImmutable;
use FigPorch\Core\Lending\NoticeKind;
use Illuminate\Support\Facades\DB;

/**
 * Looks whether anything new fits the searches that people keep, and tells them: of each title once for each search.
 */
final class SendMatchNotices
{
    /** Looked at again, for licences that were being written while the last look went on. */
    private const OVERLAP = '-10 minutes';

    public function __construct(private readonly NewMatches $newMatches, private readonly GiveNotice $giveNotice) {}

    public function __invoke(DateTimeImmutable $now): void
    {
        // Where no library has got anything since, there is nothing to look for.
        $due = SavedSearch::query()
            ->where('tells', true)
            ->whereExists(
                fn($query) => $query
                    ->from('licences')
                    ->whereColumn(
                        'licences.added_at',
                        '>',
                        DB::raw("saved_searches.looked_at - interval '10 minutes'"),
                    ),
            )
            ->pluck('id');
        foreach ($due as $id) {
            DB::transaction(fn() => $this->look($id, $now));
        }
    }

    private function look(int $id, DateTimeImmutable $now): void
    {
        $saved = SavedSearch::query()->whereKey($id)->lockForUpdate()->first();
        if ($saved === null) {
            return;
        }
        // What is ready changes by the minute; what is new does not.
        $search = SearchRequest::read(
            $saved->library_id,
            array_diff_key($saved->search, ['ready' => 1, 'always' => 1, 'reach' => 1]),
            new CardEligibility(),
        );
        $found = $this->newMatches->of($search, $saved->looked_at->modify(self::OVERLAP), $now);
        $told =
            $found === []
                ? []
                : DB::table('saved_search_titles')
                    ->where('saved_search_id', $id)
                    ->whereIn('title_id', $found)
                    ->pluck('title_id')
                    ->all();
        $new = array_values(array_diff($found, $told));
        $saved->update(['looked_at' => $now]);
        if ($new === []) {
            return;
        }
        DB::table('saved_search_titles')->insert(
            array_map(
                fn(int $title): array => ['saved_search_id' => $id, 'title_id' => $title, 'told_at' => $now],
                $new,
            ),
        );
        ($this->giveNotice)(
            $saved->person_id,
            NoticeKind::SearchFound,
            "search:{$id}:{$new[0]}",
            [
                'title' => $new[0],
                'name' => $saved->name,
                'count' => count($new),
                'first' => (string) DB::table('titles')->where('id', $new[0])->value('name'),
                'library' => $saved->library->name,
                'address' => count($new) === 1 ? "/titles/{$new[0]}" : $saved->address() . '&order=newest',
            ],
            $now,
        );
    }
}

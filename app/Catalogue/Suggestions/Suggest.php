<?php

declare(strict_types=1);

namespace App\Catalogue\Suggestions;

use App\Catalogue\Search\HeldTitles;
use App\Catalogue\Search\SearchRequest;
use App\Lending\LoanRules\CardEligibility;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\SearchWords;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Titles, people, series and subjects that what is being typed may mean; a slip or two is forgiven. */
final class Suggest
{
    private const EACH = 4;

    public function __construct(private readonly LikelyNames $likelyNames) {}

    /** @return list<Suggestion> of what is listed for a card */
    public function of(
        int $libraryId,
        string $typed,
        DateTimeImmutable $now,
        CardEligibility $eligibility = new CardEligibility(),
    ): array {
        $words = array_slice(SearchWords::of($typed), 0, 6);
        if ($words === [] || mb_strlen(implode('', $words)) < 2) {
            return [];
        }
        $found = $this->find($libraryId, $words, $now, $eligibility);
        if ($found === [] && ($better = $this->corrected($words)) !== $words) {
            $found = $this->find($libraryId, $better, $now, $eligibility);
        }

        return $found;
    }

    /**
     * @param  non-empty-list<string>  $words  the last may be unfinished
     * @return list<Suggestion>
     */
    private function find(int $libraryId, array $words, DateTimeImmutable $now, CardEligibility $eligibility): array
    {
        $last = array_key_last($words);
        $query = fn(string $weight): string => implode(
            ' & ',
            array_map(
                fn(string $word, int $n): string => "'{$word}':" . ($n === $last ? '*' : '') . $weight,
                $words,
                array_keys($words),
            ),
        );
        $named = implode(
            ' & ',
            array_map(
                fn(string $word, int $n): string => "'{$word}'" . ($n === $last ? ':*' : ''),
                $words,
                array_keys($words),
            ),
        );
        [$held, $bindings] = HeldTitles::condition($libraryId, $now, eligibility: $eligibility);
        $likely = $this->likelyNames->of(
            libraryId: $libraryId,
            words: $words,
            named: $named,
            each: self::EACH,
            now: $now,
            eligibility: $eligibility,
        );

        $titles =
            $likely['title'] ??
            DB::select(
                "select t.id, t.name, t.edition, t.language, s.format from search_rows s
                    join titles t on t.id = s.title_id
                    where s.exact @@ to_tsquery('fig_exact', ?) and {$held} order by s.times_borrowed desc, t.id
                    limit " . self::EACH,
                [$query('A'), ...$bindings],
            );
        $people =
            $likely['person'] ??
            DB::select(
                "select c.name, ct.role, count(*) n from contributors c
                    join contributor_title ct on ct.contributor_id = c.id join search_rows s on s.title_id = ct.title_id
                where c.words @@ to_tsquery('fig_exact', ?) and {$held} group by c.id, ct.role
                    order by n desc, c.name limit " . self::EACH,
                [$named, ...$bindings],
            );
        $series =
            $likely['series'] ??
            DB::select(
                "select x.id, x.name, count(*) n from series x join search_rows s on s.series_id = x.id
                    where x.words @@ to_tsquery('fig_exact', ?) and {$held} group by x.id
                    order by n desc, x.name limit " . self::EACH,
                [$named, ...$bindings],
            );
        $subjects =
            $likely['subject'] ??
            DB::select(
                "select x.id, x.name, count(*) n from subjects x join subject_title st on st.subject_id = x.id
                    join search_rows s on s.title_id = st.title_id
                where x.words @@ to_tsquery('fig_exact', ?) and {$held} group by x.id order by n desc, x.name limit " .
                    self::EACH,
                [$named, ...$bindings],
            );

        return array_values([
            ...array_map(
                fn(stdClass $t): Suggestion => new Suggestion(
                    'title',
                    $t->name,
                    1,
                    titleId: $t->id,
                    format: $t->format,
                    edition: $t->edition,
                    language: $t->language ?? null,
                ),
                $titles,
            ),
            ...array_map(
                fn(stdClass $p): Suggestion => new Suggestion($p->role, $p->name, $p->n, [
                    'q' => SearchRequest::byPerson($p->role, $p->name),
                ]),
                $people,
            ),
            ...array_map(
                fn(stdClass $x): Suggestion => new Suggestion('series', $x->name, $x->n, ['series' => (string) $x->id]),
                $series,
            ),
            ...array_map(
                fn(stdClass $x): Suggestion => new Suggestion('subject', $x->name, $x->n, [
                    'subjects' => (string) $x->id,
                ]),
                $subjects,
            ),
        ]);
    }

    /**
     * @param  non-empty-list<string>  $words
     * @return non-empty-list<string> each as it stands in records, if it is in none and one like it is
     */
    private function corrected(array $words): array
    {
        return array_map(function (string $word): string {
            if (
                mb_strlen($word) < Spelling::SHORTEST ||
                DB::scalar('select exists (select from search_words where word like ?)', ["{$word}%"])
            ) {
                return $word;
            }

            return Spelling::of($word, begins: true) ?? $word;
        }, $words);
    }
}

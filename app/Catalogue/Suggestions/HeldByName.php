<?php

declare(strict_types=1);

namespace App\Catalogue\Suggestions;

use App\Catalogue\BitmapIndex\BitmapIndex;
use App\Catalogue\BitmapIndex\TitlesForCard;
use App\Catalogue\Search\HeldTitles;
use App\Lending\LoanRules\CardEligibility;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\TitleSet;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * How many of its titles a library has for a card of each of some names: by the sets that were gathered, and by asking
 * of the titles that these do not tell of.
 */
final class HeldByName
{
    /** What leads from a name with more titles than are worth listing to those, as SQL. */
    private const TITLES = [
        'person' => 'select title_id from contributor_title where contributor_id = ? and role = ?',
        'subject' => "select title_id from subject_title where subject_id = ? and ? = ''",
    ];

    /**
     * @param  list<stdClass>  $names  with kind, id, role and titles; of a name with many, those that have changed
     * @param  BitmapIndex|null  $gathering  null where every title is to be asked
     * @return list<stdClass> those that the library has anything of, with n titles each
     */
    public function of(
        array $names,
        ?BitmapIndex $gathering,
        int $libraryId,
        DateTimeImmutable $now,
        CardEligibility $eligibility,
    ): array {
        $gathered = $gathering?->every("held:{$libraryId}");
        if ($gathered !== null && ($listed = TitlesForCard::of($gathering, $eligibility->listed())) !== null) {
            $gathered = $gathered->and($listed);
        }
        $loose = array_flip($gathering?->loose->numbers() ?? []);
        if ($gathering !== null && !($lent = $gathering->loose->without($gathering->changed))->isEmpty()) {
            foreach (array_filter($names, fn(stdClass $name): bool => $name->many) as $name) {
                array_push($name->titles, ...$gathering->every(self::set($name))->and($lent)->numbers());
            }
        }
        $asked = array_values(
            array_filter(
                array_merge(...array_map(fn(stdClass $name): array => $name->titles, $names)),
                fn(int $title): bool => $gathered === null || isset($loose[$title]),
            ),
        );
        $held = array_flip($this->held($asked, $libraryId, $now, $eligibility));
        $sure = null;
        foreach ($names as $name) {
            $set = $name->many ? self::set($name) : null;
            if ($set !== null && $gathering?->has($set) !== true) {
                $name->n = $this->count($name, $libraryId, $now, $eligibility);

                continue;
            }
            $name->n = count(
                array_filter(
                    $name->titles,
                    fn(int $title): bool => isset($held[$title]) || (!isset($loose[$title]) && $gathered?->has($title)),
                ),
            );
            if ($gathering !== null && $set !== null) {
                $name->n += $gathering->count(
                    $set,
                    $sure ??= ($gathered ?? TitleSet::none())->without($gathering->loose)->forCounting(),
                );
            }
        }

        return array_values(array_filter($names, fn(stdClass $name): bool => $name->n > 0));
    }

    private static function set(stdClass $name): string
    {
        return $name->kind === 'person' ? "person:{$name->id}:{$name->role}" : "{$name->kind}:{$name->id}";
    }

    /**
     * @param  list<int>  $titles
     * @return list<int> those of them that are held
     */
    private function held(array $titles, int $libraryId, DateTimeImmutable $now, CardEligibility $eligibility): array
    {
        if ($titles === []) {
            return [];
        }
        [$held, $bindings] = HeldTitles::condition($libraryId, $now, eligibility: $eligibility);

        return array_column(
            DB::select("select s.title_id from search_rows s where s.title_id = any(?::bigint[]) and {$held}", [
                Sql::array(array_unique($titles)),
                ...$bindings,
            ]),
            'title_id',
        );
    }

    private function count(stdClass $name, int $libraryId, DateTimeImmutable $now, CardEligibility $eligibility): int
    {
        [$held, $bindings] = HeldTitles::condition($libraryId, $now, eligibility: $eligibility);

        return DB::scalar(
            'select count(*) from search_rows s where s.title_id in (' . self::TITLES[$name->kind] . ") and {$held}",
            [$name->id, $name->role, ...$bindings],
        );
    }
}

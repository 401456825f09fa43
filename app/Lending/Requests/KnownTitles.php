<?php

declare(strict_types=1);

namespace App\Lending\Requests;

use App\Models\Title;
use App\Shared\TitleNames;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Identifier;
use FigPorch\Core\Catalogue\SearchWords;
use FigPorch\Core\Catalogue\WantedTitle;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/** Titles of all catalogues here that somebody may mean. */
final class KnownTitles
{
    private const MOST = 8;

    private const LONG_WORD = 4;

    /**
     * By its number, or else by all words of its name; those with the people first.
     *
     * @param  bool  $loosely  where none has all words, those that have most of the longer ones
     * @return Collection<int, Title>
     */
    public static function like(WantedTitle $wanted, bool $loosely = false): Collection
    {
        $ids =
            $wanted->number === null
                ? []
                : DB::table('titles')
                    ->where('isbn', $wanted->number)
                    ->orderBy('id')
                    ->limit(self::MOST)
                    ->pluck('id')
                    ->all();
        $words = SearchWords::of($wanted->name);
        if ($ids === [] && $words !== []) {
            $query = fn(array $of, string $with): string => implode(
                $with,
                array_map(fn(string $word): string => "'{$word}'", $of),
            );
            $people = SearchWords::of($wanted->people);
            $ids = array_column(
                DB::select(
                    "select s.title_id from search_rows s join titles t on t.id = s.title_id
                        where s.exact @@ to_tsquery('fig_exact', ?)
                    order by s.exact @@ to_tsquery('fig_exact', ?) desc, s.format = ? desc,
                        lower(t.name) = lower(?) desc, s.times_borrowed desc, t.id limit " . self::MOST,
                    [
                        $query($words, ':A & ') . ':A',
                        $query($people === [] ? $words : $people, ' | '),
                        $wanted->format->value ?? '',
                        $wanted->name,
                    ],
                ),
                'title_id',
            );
        }

        $long = array_filter($words, fn(string $word): bool => mb_strlen($word) >= self::LONG_WORD);
        if ($ids === [] && $loosely && $long !== []) {
            $any = implode(' | ', array_map(fn(string $word): string => "'{$word}':A", $long));
            $ids = array_column(
                DB::select(
                    "select title_id from search_rows where exact @@ to_tsquery('fig_exact', ?)
                        order by ts_rank(exact, to_tsquery('fig_exact', ?)) desc, times_borrowed desc, title_id
                        limit " . self::MOST,
                    [$any, $any],
                ),
                'title_id',
            );
        }

        return TitleNames::titles(array_values($ids))
            ->sortBy(fn(Title $title): int => (int) array_search($title->id, $ids, true))
            ->values();
    }

    /**
     * By what staff write to name it: the number in its address, the address, or its standard number.
     *
     * @param  bool  $lentOnly  not what stands on paper or on the web
     */
    public static function named(string $text, bool $lentOnly = true): ?Title
    {
        $titles = Title::query()->when($lentOnly, fn(Builder $of) => $of->whereIn('format', Format::lent()));
        $isNumber = preg_match('~^(?:\S*/titles/)?(\d{1,9})(?:[?#]\S*)?$~D', trim($text), $m) === 1;
        $title = $isNumber ? $titles->clone()->find((int) $m[1]) : null;
        $number = $title === null ? Identifier::parse($text) : null;

        return $title ?? ($number === null ? null : $titles->where('isbn', $number->number)->orderBy('id')->first());
    }
}

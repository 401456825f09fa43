<?php

declare(strict_types=1);

namespace App\Desk\Patrons;

use App\Models\Card;
use App\Models\Library;
use DateTimeImmutable;
use FigPorch\Core\Lending\CardNumber;
use Illuminate\Contracts\Pagination\LengthAwarePaginator;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;

/** Cards of a library by number, or by words of the name or mail address, however they are accented. */
final class FindPatrons
{
    private const PAGE = 50;

    /** So many are found by words, and by the first digits; who looks for more needs more words. */
    public const MOST = 1000;

    /** The expression of the column people.sought. */
    private const FOLD = "regexp_replace(normalize(lower(?), nfkd), U&'[\\0300-\\036F]', '', 'g')";

    /** Whose number is exactly that. */
    public function byNumber(Library $library, string $number): ?Card
    {
        return Card::query()
            ->where(['library_id' => $library->id, 'number' => CardNumber::plain($number)])
            ->first();
    }

    public function ofLibrary(Library $library, int $id): ?Card
    {
        return Card::query()->where('library_id', $library->id)->with('person')->find($id);
    }

    /** @return LengthAwarePaginator<int, Card> by name; the newest first where nothing is looked for */
    public function page(Library $library, PatronSearch $search, DateTimeImmutable $now): LengthAwarePaginator
    {
        $filtered = Card::query()
            ->where('cards.library_id', $library->id)
            ->when($search->group !== null, fn(Builder $q) => $q->where('patron_group', $search->group))
            ->when($search->class !== null, fn(Builder $q) => $q->where('class', $search->class))
            ->when($search->state === 'blocked', fn(Builder $q) => $q->whereNotNull('blocked_at'))
            ->when($search->state === 'expired', fn(Builder $q) => $q->where('expires_at', '<=', $now))
            ->when(
                $search->state === 'ending',
                fn(Builder $q) => $q
                    ->where('expires_at', '>', $now)
                    ->where('expires_at', '<=', $now->modify('+' . PatronSearch::ENDING_DAYS . ' days')),
            );
        if ($search->find === '') {
            return $filtered
                ->with('person')
                ->orderByDesc('cards.id')
                ->paginate(self::PAGE)
                ->appends($search->address());
        }
        // Each by an index of its own, and no more than anybody looks through.
        $number = CardNumber::plain($search->find);
        $byNumber = (clone $filtered)
            ->select('cards.id')
            // Of nothing but hyphens nothing is left, and everything begins so.
            ->when($number === '', fn(Builder $q) => $q->whereRaw('false'))
            ->whereLike('number', addcslashes($number, '%_\\') . '%', caseSensitive: true)
            ->limit(self::MOST);
        $found = (clone $filtered)
            ->select('cards.id')
            ->join('people', 'people.id', '=', 'cards.person_id')
            ->limit(self::MOST)
            ->toBase();
        foreach (preg_split('/\s+/u', $search->find, -1, PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
            $found->whereRaw("sought like '%' || " . self::FOLD . " || '%'", [addcslashes($word, '%_\\')]);
        }
        $ids = DB::query()
            ->fromSub($found, 'named')
            ->select('id')
            ->union(DB::query()->fromSub($byNumber->toBase(), 'numbered')->select('id'));

        return Card::query()
            ->with('person')
            ->whereIntegerInRaw('cards.id', $ids->pluck('id'))
            ->join('people', 'people.id', '=', 'cards.person_id')
            ->select('cards.*')
            ->orderBy('people.name')
            ->orderBy('cards.id')
            ->paginate(self::PAGE)
            ->appends($search->address());
    }
}

<?php

declare(strict_types=1);

namespace FigPorch\Demo;

use App\Catalogue\Baskets\ArrangeBaskets;
use App\Catalogue\Baskets\BasketOwner;
use App\Catalogue\Baskets\FillBasket;
use App\Lending\Requests\AskForTitle;
use App\Lending\Requests\AskInWords;
use App\Models\Card;
use App\Models\SavedSearch;
use App\Models\StaffList;
use App\Models\Title;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\SearchWords;
use FigPorch\Core\Catalogue\WantedTitle;
use Illuminate\Support\Facades\DB;

/** What people put aside for themselves and for others: lists of the staff, wishes, baskets, a saved search. */
final class SeedBaskets
{
    public function __construct(
        private readonly DemoLibraries $coast,
        private readonly AskForTitle $ask,
        private readonly AskInWords $askInWords,
        private readonly ArrangeBaskets $arrangeBaskets,
        private readonly FillBasket $fillBasket,
    ) {}

    public function makeStaffLists(): void
    {
        foreach (Members::STAFF_LISTS as $slug => $lists) {
            foreach ($lists as $position => [$room, $name, $note, $words, $search]) {
                $list = StaffList::query()->create([
                    'library_id' => $this->coast->libraries[$slug]->id,
                    'room' => $room,
                    'name' => $name,
                    'note' => $note,
                    'position' => $position,
                    'words' => $search,
                ]);
                if ($words === null) {
                    continue;
                }
                $query = implode(' | ', SearchWords::of($words));
                $ids = DB::table('search_rows')
                    ->whereRaw("stems @@ to_tsquery('fig_en', ?)", [$query])
                    ->whereExists(
                        fn($q) => $q
                            ->from('licences')
                            ->whereColumn('licences.title_id', 'search_rows.title_id')
                            ->where('library_id', $this->coast->libraries[$slug]->id),
                    )
                    ->when(
                        ['children' => 'child', 'teen' => 'teen'][$room] ?? null,
                        fn($q, string $audience) => $q->where('audience', $audience),
                    )
                    ->orderByRaw("ts_rank(stems, to_tsquery('fig_en', ?)) desc, title_id", [$query])
                    ->limit(24)
                    ->pluck('title_id');
                foreach ($ids as $n => $id) {
                    $list->titles()->attach($id, ['position' => $n]);
                }
            }
        }
    }

    /**
     * What patrons ask their libraries for, and Imara Quell's baskets and saved search.
     *
     * @param  array<string, list<Card>>  $cards
     */
    public function wishAndPutAside(array $cards): void
    {
        foreach ($cards as $slug => $patrons) {
            $missing = DB::table('search_rows')
                ->whereRaw('not ? = any(held)', [$this->coast->libraries[$slug]->id])
                ->where('audience', '<>', 'adult')
                ->orderByRaw('title_id % 17, title_id')
                ->limit(6)
                ->pluck('title_id')
                ->all();
            foreach (Title::query()->findMany($missing) as $n => $title) {
                foreach (array_slice($patrons, $n, 1 + intdiv(11, $n + 1)) as $i => $card) {
                    ($this->ask)(
                        $card,
                        $title,
                        true,
                        $i % 3 !== 2,
                        $this->coast->now->modify('-' . (40 - 3 * $n - $i) . ' days'),
                    );
                }
            }
        }
        foreach (array_values($cards) as $n => $patrons) {
            [$name, $people, $format] = [
                ['The Lightkeepers of Tern Head', 'Ysolde Carrow', Format::Ebook],
                ['Knots for Small Hands', '', null],
                ['Ferry Songs, the second part', 'the Gannet Stairs Choir', Format::Music],
                ['Of Tides and Almanacs', 'Corin Vasey', Format::Audiobook],
            ][$n % 4];
            ($this->askInWords)(
                $patrons[count($patrons) - 1],
                new WantedTitle($name, $people, $format),
                true,
                true,
                $this->coast->now->modify('-' . (4 + $n) . ' days'),
            );
        }
        $card = $this->coast->firstCard();
        $wanted = Title::query()
            ->join('search_rows as s', 's.title_id', '=', 'titles.id')
            ->whereRaw('not ? = any(s.held)', [$card->library_id])
            ->where('titles.audience', 'adult')
            ->orderBy('titles.id')
            ->select('titles.*')
            ->first();
        if ($wanted !== null) {
            ($this->ask)($card, $wanted, true, true, $this->coast->now->modify('-3 days'));
        }
        $imara = new BasketOwner($card->person_id, null);
        $evenings = $this->arrangeBaskets->make($imara, 'Winter evenings', null, $this->coast->now);
        $aloud =
            $evenings === null
                ? null
                : $this->arrangeBaskets->make($imara, 'To read aloud', $evenings, $this->coast->now);
        $course = $this->arrangeBaskets->make($imara, 'Navigation course', null, $this->coast->now);
        foreach (
            [['winter | storm | lantern', 7, $evenings], ['lamp | kite', 3, $aloud], ['navigation | tide', 5, $course]]
            as [$query, $count, $basket]
        ) {
            foreach (
                $basket === null
                    ? []
                    : DB::table('search_rows')
                        ->whereRaw("stems @@ to_tsquery('fig_en', ?) and ? = any(held)", [$query, $card->library_id])
                        ->orderBy('title_id')
                        ->limit($count)
                        ->pluck('title_id')
                as $titleId
            ) {
                $basket === null || $this->fillBasket->put($basket, $titleId, $this->coast->now);
            }
        }
        SavedSearch::query()->create([
            'person_id' => $card->person_id,
            'library_id' => $card->library_id,
            'name' => 'New sea stories to hear',
            'search' => ['q' => 'sea', 'format' => 'audiobook'],
            'tells' => true,
            'looked_at' => $this->coast->now,
        ]);
    }
}

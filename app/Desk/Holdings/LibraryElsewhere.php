<?php

declare(strict_types=1);

namespace App\Desk\Holdings;

use App\Models\Holding;
use App\Models\Library;
use App\Models\Link;
use App\Models\Title;
use App\Shared\PageAsked;
use App\Shared\TitleNames;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Pagination\Paginator;
use Illuminate\Support\Facades\DB;

/** What a library has on paper, and the websites that it points to, page by page. */
final class LibraryElsewhere
{
    public const SHOWN = ['paper', 'websites', 'dead', 'trouble', 'moved'];

    private const PAGE = 25;

    public function hasAny(Library $library): bool
    {
        return Holding::query()->where('library_id', $library->id)->exists() ||
            Link::query()->where('library_id', $library->id)->exists();
    }

    /** @return array<string, int> by SHOWN */
    public function counts(Library $library): array
    {
        $links = DB::selectOne(
            'select count(*) websites, count(dead_at) dead,
                count(*) filter (where tries > 0 and dead_at is null) trouble,
                count(moved_to) moved from links where library_id = ?',
            [$library->id],
        );
        $paper = DB::scalar('select count(distinct title_id) from holdings where library_id = ?', [$library->id]);

        return ['paper' => (int) $paper, ...array_map(intval(...), (array) $links)];
    }

    /** @return LengthAwarePaginator<int, Link> with their titles, those that were looked at last first */
    public function links(Library $library, string $show, int $total): LengthAwarePaginator
    {
        $page = PageAsked::of($total, self::PAGE);
        $links = Link::query()
            ->with('title')
            ->where('library_id', $library->id)
            ->when($show === 'dead', fn(Builder $of) => $of->whereNotNull('dead_at'))
            ->when($show === 'trouble', fn(Builder $of) => $of->where('tries', '>', 0)->whereNull('dead_at'))
            ->when($show === 'moved', fn(Builder $of) => $of->whereNotNull('moved_to'))
            ->orderByRaw('asked_at desc nulls first, id desc')
            ->forPage($page, self::PAGE)
            ->get();

        return self::page($links->all(), $total, $page, $show);
    }

    /** @return LengthAwarePaginator<int, Title> the latest first, with holdings of the library */
    public function paper(Library $library, int $total): LengthAwarePaginator
    {
        $page = PageAsked::of($total, self::PAGE);
        $ids = array_column(
            DB::select(
                'select title_id from holdings where library_id = ? group by title_id order by max(id) desc
                    limit ? offset ?',
                [$library->id, self::PAGE, ($page - 1) * self::PAGE],
            ),
            'title_id',
        );
        $titles = TitleNames::titles($ids)
            ->sortBy(fn(Title $title): int => (int) array_search($title->id, $ids, true))
            ->values();

        return self::page($titles->all(), $total, $page, 'paper');
    }

    /**
     * @param  iterable<mixed>  $titles
     * @return array<int, list<Holding>> by title
     */
    public function shelves(Library $library, iterable $titles): array
    {
        $shelves = [];
        foreach (
            Holding::query()
                ->where('library_id', $library->id)
                ->whereIn('title_id', collect($titles)->whereInstanceOf(Title::class)->pluck('id'))
                ->orderBy('id')
                ->get()
            as $of
        ) {
            $shelves[$of->title_id][] = $of;
        }

        return $shelves;
    }

    /**
     * @template T
     *
     * @param  array<T>  $items
     * @return LengthAwarePaginator<int, T>
     */
    private static function page(array $items, int $total, int $page, string $show): LengthAwarePaginator
    {
        return new LengthAwarePaginator(array_values($items), $total, self::PAGE, $page, [
            'path' => Paginator::resolveCurrentPath(),
            'query' => ['show' => $show],
        ]);
    }
}

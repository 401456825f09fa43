<?php

declare(strict_types=1);

namespace App\Exchange\Opds;

use App\Catalogue\Filters\ListFilter;
use App\Catalogue\Rooms\LibraryRooms;
use App\Catalogue\Rooms\RoomText;
use App\Catalogue\Search\CatalogueSearch;
use App\Catalogue\Search\FoundValues;
use App\Catalogue\Search\SearchRequest;
use App\Catalogue\StaffLists\ListOnShow;
use App\Catalogue\StaffLists\StaffLists;
use App\Lending\LoanRules\CardEligibility;
use App\Lending\LoanRules\PayMonth;
use App\Shared\RequestContext;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Room;
use FigPorch\Core\Exchange\Opds\Out\Feed;
use FigPorch\Core\Exchange\Opds\Out\Link;
use stdClass;

/** A library's catalogue, page by page, for applications. */
final class CatalogueFeeds
{
    private const INDEX_PAGE = 100;

    public function __construct(
        private readonly RequestContext $current,
        private readonly CatalogueSearch $search,
        private readonly FoundValues $values,
        private readonly PayMonth $payMonth,
        private readonly Publications $publications,
        private readonly LibraryRooms $rooms,
        private readonly StaffLists $lists,
    ) {}

    /** The front: everything else is reached from here. */
    public function front(Addresses $at, DateTimeImmutable $now): Feed
    {
        $titles = fn(string $rel, string $title, array $query): Link => new Link(
            $rel,
            $at->of('titles', $query),
            $at->edition->acquisition(),
            $title,
        );
        $places = fn(string $path, string $title): Link => new Link(
            'subsection',
            $at->of($path),
            $at->edition->navigation(),
            $title,
        );

        return $this->navigation($at, '', $at->library->name, $now, [
            $titles('subsection', __('opds.all'), []),
            $titles('subsection', __('catalogue.availability.ready_now'), ['ready' => '1']),
            $titles(Link::NEWEST, __('catalogue.orders.newest'), ['order' => 'newest']),
            $titles(Link::POPULAR, __('catalogue.orders.most_borrowed'), ['order' => 'most_borrowed']),
            ...$this->lists->showing($at->library, $now, $this->eligibility($now)) === []
                ? []
                : [$places('rooms', __('opds.rooms'))],
            $places('subjects', __('opds.subjects')),
            $places('series', __('opds.series')),
        ]);
    }

    /** The rooms that have something to show. */
    public function rooms(Addresses $at, DateTimeImmutable $now): Feed
    {
        $lists = $this->lists->showing($at->library, $now, $this->eligibility($now));
        $used = array_map(fn(ListOnShow $of): string => $of->list->room, $lists);

        return $this->navigation(
            $at,
            'rooms',
            __('opds.rooms'),
            $now,
            array_values(
                array_map(
                    fn(Room $of): Link => new Link(
                        'subsection',
                        $at->of("rooms/{$of->slug}"),
                        $at->edition->navigation(),
                        RoomText::name($of),
                    ),
                    array_filter(
                        $this->rooms->of($at->library),
                        fn(Room $of): bool => in_array($of->slug, $used, true),
                    ),
                ),
            ),
        );
    }

    /** The staff lists of a room; null where there is no such room. */
    public function room(Addresses $at, string $slug, DateTimeImmutable $now): ?Feed
    {
        $room = $this->rooms->find($at->library, $slug);

        return $room === null
            ? null
            : $this->navigation(
                $at,
                "rooms/{$slug}",
                RoomText::name($room),
                $now,
                array_map(
                    fn(ListOnShow $of): Link => new Link(
                        rel: 'subsection',
                        href: $at->of('titles', ['list' => $of->list->id]),
                        type: $at->edition->acquisition(),
                        title: $of->list->name,
                        items: $of->titles,
                    ),
                    $this->lists->showing($at->library, $now, $this->eligibility($now), $slug),
                ),
            );
    }

    /**
     * What the library's titles are about, or the series they are of: those with most titles first.
     *
     * @param  class-string<ListFilter>  $filter
     */
    public function index(Addresses $at, string $path, string $filter, int $page, DateTimeImmutable $now): Feed
    {
        $values = $this->values->some(
            search: SearchRequest::read($at->library->id, [], $this->eligibility($now)),
            filter: new $filter(),
            find: '',
            byName: false,
            most: self::INDEX_PAGE,
            from: ($page - 1) * self::INDEX_PAGE,
            now: $now,
        );
        $isLast = $page * self::INDEX_PAGE >= ($values[0]->of ?? 0);
        $others = array_filter(['previous' => $page - 1, 'next' => $isLast ? 0 : $page + 1]);

        return $this->navigation(
            at: $at,
            path: $path,
            title: __("opds.{$path}"),
            now: $now,
            places: array_map(
                fn(stdClass $of): Link => new Link(
                    rel: 'subsection',
                    href: $at->of('titles', [$filter::name() => (string) $of->value]),
                    type: $at->edition->acquisition(),
                    title: $of->name,
                    items: $of->titles,
                ),
                $values,
            ),
            others: array_map(
                fn(string $rel, int $number): Link => new Link(
                    $rel,
                    $at->of($path, ['page' => $number]),
                    $at->edition->navigation(),
                ),
                array_keys($others),
                $others,
            ),
        );
    }

    /**
     * What a search finds, a page of it; with what narrows it down.
     *
     * @param  array<string, string>  $asked  as the catalogue's own address has it
     */
    public function titles(Addresses $at, array $asked, ?string $listWords, string $title, DateTimeImmutable $now): Feed
    {
        $search = SearchRequest::read($at->library->id, $asked, $this->eligibility($now), listWords: $listWords);
        $facets = $this->search->facets($search, $now);
        $page = $this->search->page($search, $facets->total, $now);
        $to = fn(int $number): string => $at->of('titles', [
            ...$search->with([]),
            ...$number === 1 ? [] : ['page' => $number],
        ]);
        $pages = max(1, $page->lastPage());
        $here = $page->currentPage();
        $others = array_filter(
            [
                'first' => $pages > 1 ? 1 : null,
                'previous' => $here > 1 ? $here - 1 : null,
                'next' => $here < $pages ? $here + 1 : null,
                'last' => $pages > 1 ? $pages : null,
            ],
            fn(?int $number): bool => $number !== null,
        );

        return new Feed(
            id: $to($here),
            title: $title,
            modified: $now,
            links: [
                new Link('self', $to($here), $at->edition->acquisition()),
                ...$at->everywhere(),
                ...array_map(
                    fn(string $rel, int $number): Link => new Link($rel, $to($number), $at->edition->acquisition()),
                    array_keys($others),
                    $others,
                ),
            ],
            publications: $this->publications->of($at, $page->items(), $now),
            facets: FeedFacets::of($at, $search, $facets),
            paging: ['total' => $page->total(), 'page' => $here, 'pages' => $pages, 'perPage' => $page->perPage()],
        );
    }

    /**
     * @param  list<Link>  $places
     * @param  list<Link>  $others  its other pages
     */
    private function navigation(
        Addresses $at,
        string $path,
        string $title,
        DateTimeImmutable $now,
        array $places,
        array $others = [],
    ): Feed {
        return new Feed(
            id: $at->of($path),
            title: $title,
            modified: $now,
            links: [new Link('self', $at->of($path), $at->edition->navigation()), ...$at->everywhere(), ...$others],
            navigation: $places,
        );
    }

    private function eligibility(DateTimeImmutable $now): CardEligibility
    {
        $library = $this->current->requiredLibrary();

        return $this->payMonth->eligibility($this->current->card(), $library, $now)->ofLent();
    }
}

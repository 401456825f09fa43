<?php

declare(strict_types=1);

namespace App\Desk\Lists;

use App\Catalogue\Rooms\LibraryRooms;
use App\Catalogue\Search\CatalogueSearch;
use App\Catalogue\Search\SearchRequest;
use App\Catalogue\StaffLists\StaffLists;
use App\Lending\LoanRules\CardEligibility;
use App\Models\StaffList;
use App\Models\StaffMember;
use App\Models\Title;
use App\Shared\Input;
use App\Shared\TitleNames;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\UsualRoom;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** The lists that staff make, room by room. */
final class ListsController
{
    private const FOUND = 8;

    public function __construct(private readonly ArrangeStaffLists $keep, private readonly LibraryRooms $rooms) {}

    public function index(#[CurrentUser('staff')] StaffMember $staff, StaffLists $lists): View
    {
        $now = CarbonImmutable::now();

        return view('desk.lists.lists', [
            'staff' => $staff,
            'rooms' => $this->rooms->names($staff->library),
            'lists' => $lists->all($staff->library, $now),
            'today' => $now->setTimezone($staff->library->zone())->format('Y-m-d'),
        ]);
    }

    public function create(#[CurrentUser('staff')] StaffMember $staff): View
    {
        return view('desk.lists.list', [
            'staff' => $staff,
            'rooms' => $this->rooms->names($staff->library),
            'list' => new StaffList(['name' => '', 'room' => UsualRoom::Reading->value]),
        ]);
    }

    public function make(ListRequest $request, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        return redirect()
            ->route(
                'desk.list',
                $this->keep->make(
                    $staff,
                    $request->facts(array_keys($this->rooms->names($staff->library))),
                    CarbonImmutable::now(),
                ),
            )
            ->with('said', __('lists.list_made'));
    }

    public function show(
        Request $request,
        StaffList $list,
        #[CurrentUser('staff')] StaffMember $staff,
        CatalogueSearch $catalogue,
    ): View {
        $now = CarbonImmutable::now();
        $find = Input::text($request, 'find');
        $searches = $list->words ?? $find;
        $search =
            $searches === ''
                ? null
                : SearchRequest::read($staff->library_id, ['q' => $searches], new CardEligibility());
        $total = $search === null ? 0 : $catalogue->total($search, $now);
        $titles = $list->words !== null ? [] : $list->titles()->get();
        TitleNames::giveTo($titles);

        return view('desk.lists.list', [
            'staff' => $staff,
            'rooms' => $this->rooms->names($staff->library),
            'list' => $list,
            'titles' => $titles,
            'find' => $find,
            'total' => $total,
            'search' => $search,
            'found' =>
                $search === null || $total === 0 ? [] : $catalogue->page($search, $total, $now, self::FOUND)->items(),
        ]);
    }

    public function change(
        ListRequest $request,
        StaffList $list,
        #[CurrentUser('staff')] StaffMember $staff,
    ): RedirectResponse {
        $this->keep->change(
            $staff,
            $list,
            $request->facts(array_keys($this->rooms->names($staff->library))),
            CarbonImmutable::now(),
        );

        return redirect()->route('desk.list', $list)->with('said', __('lists.list_kept'));
    }

    /** "do" is add:ID, take-off:ID, up:ID or down:ID. */
    public function titles(Request $request, StaffList $list): RedirectResponse
    {
        [$do, $id] = explode(':', Input::text($request, 'do'), 2) + [1 => ''];
        $title = ctype_digit($id) && strlen($id) < 19 ? Title::query()->find((int) $id) ?? abort(404) : abort(404);
        $back = redirect()->route('desk.list', [
            'list' => $list,
            ...array_filter(['find' => Input::text($request, 'find')]),
        ]);
        if ($do === 'add') {
            return $this->keep->add($list, $title->id)
                ? $back->with('said', __('lists.list_added', ['name' => $title->name]))
                : $back->with('refusal', __('lists.list_full', ['most' => ArrangeStaffLists::MOST_TITLES]));
        }
        match ($do) {
            'take-off' => $this->keep->takeOff($list, $title->id),
            'up' => $this->keep->shiftTitle($list, $title->id, -1),
            'down' => $this->keep->shiftTitle($list, $title->id, 1),
            default => abort(404),
        };

        return $do === 'take-off' ? $back->with('said', __('lists.list_taken_off', ['name' => $title->name])) : $back;
    }

    public function shift(Request $request, StaffList $list): RedirectResponse
    {
        $this->keep->shift($list, Input::text($request, 'by') === 'up' ? -1 : 1);

        return redirect()->route('desk.lists');
    }

    public function remove(StaffList $list, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        $this->keep->remove($staff, $list, CarbonImmutable::now());

        return redirect()->route('desk.lists')->with('said', __('lists.list_removed', ['name' => $list->name]));
    }
}

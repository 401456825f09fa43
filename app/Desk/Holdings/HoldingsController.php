<?php

declare(strict_types=1);

namespace App\Desk\Holdings;

use App\Lending\Holdings\StandsElsewhere;
use App\Models\Holding;
use App\Models\Link;
use App\Models\StaffMember;
use App\Models\Title;
use App\Shared\Input;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\WebLink;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** What the library has on paper, and the websites that it points to. */
final class HoldingsController
{
    public function __construct(private readonly ChangeElsewhere $change) {}

    public function index(
        Request $request,
        #[CurrentUser('staff')] StaffMember $staff,
        LibraryElsewhere $elsewhere,
    ): View {
        $counts = $elsewhere->counts($staff->library);
        $asked = Input::text($request, 'show');
        $show = in_array($asked, LibraryElsewhere::SHOWN, true) ? $asked : 'paper';
        $page =
            $show === 'paper'
                ? $elsewhere->paper($staff->library, $counts['paper'])
                : $elsewhere->links($staff->library, $show, $counts[$show]);

        return view('desk.holdings.holdings', [
            'staff' => $staff,
            'counts' => $counts,
            'show' => $show,
            'page' => $page,
            'shelves' => $show === 'paper' ? $elsewhere->shelves($staff->library, $page->items()) : [],
        ]);
    }

    public function create(Request $request, #[CurrentUser('staff')] StaffMember $staff): View
    {
        return view('desk.holdings.new', [
            'staff' => $staff,
            'format' => Input::text($request, 'format') === Format::Website->value ? Format::Website : Format::Paper,
        ]);
    }

    public function store(
        NewTitleRequest $request,
        HoldingRequest $where,
        #[CurrentUser('staff')] StaffMember $staff,
    ): RedirectResponse {
        $isPaper = $request->titleFormat() === Format::Paper;
        $record = $request->record($isPaper ? [$where->holding()] : [], $isPaper ? [] : [$where->link()]);
        $isKnown = Title::query()->where('record_key', $record->key)->exists();
        $title = $this->change->begin($staff, $record, CarbonImmutable::now());

        return redirect()
            ->route('desk.elsewhere', $title)
            ->with('said', __($isKnown ? 'holdings_desk.was_known' : 'holdings_desk.begun'));
    }

    public function show(
        Request $request,
        Title $title,
        #[CurrentUser('staff')] StaffMember $staff,
        StandsElsewhere $elsewhere,
    ): View {
        abort_if($title->format->isLent(), 404);
        $title->load(['contributors', 'series']);

        return view('desk.holdings.title', [
            'staff' => $staff,
            'title' => $title,
            'elsewhere' => $elsewhere->of($staff->library, [$title])[$title->id],
            'changing' => (int) Input::text($request, 'change'),
        ]);
    }

    public function addHolding(
        HoldingRequest $request,
        Title $title,
        #[CurrentUser('staff')] StaffMember $staff,
    ): RedirectResponse {
        abort_if($title->format !== Format::Paper, 404);
        $this->change->putHolding($staff, $title, null, $request->holding(), CarbonImmutable::now());

        return $this->back($title, 'kept');
    }

    public function changeHolding(
        HoldingRequest $request,
        Holding $holding,
        #[CurrentUser('staff')] StaffMember $staff,
    ): RedirectResponse {
        $this->change->putHolding($staff, $holding->title, $holding, $request->holding(), CarbonImmutable::now());

        return $this->back($holding->title, 'kept');
    }

    public function removeHolding(Holding $holding, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        $this->change->remove($staff, $holding, CarbonImmutable::now());

        return $this->back($holding->title, 'removed');
    }

    public function addLink(
        HoldingRequest $request,
        Title $title,
        #[CurrentUser('staff')] StaffMember $staff,
    ): RedirectResponse {
        abort_if($title->format !== Format::Website, 404);
        $this->change->putLink($staff, $title, null, $request->link(), CarbonImmutable::now());

        return $this->back($title, 'kept');
    }

    public function changeLink(
        HoldingRequest $request,
        Link $link,
        #[CurrentUser('staff')] StaffMember $staff,
    ): RedirectResponse {
        $this->change->putLink($staff, $link->title, $link, $request->link(), CarbonImmutable::now());

        return $this->back($link->title, 'kept');
    }

    public function removeLink(Link $link, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        $this->change->remove($staff, $link, CarbonImmutable::now());

        return $this->back($link->title, 'removed');
    }

    /** Where it says that it is from now on. */
    public function followLink(Link $link, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        $to = $link->moved_to;
        if ($to === null) {
            return $this->back($link->title, 'not_moved');
        }
        $new = new WebLink($to, $link->about, $link->open_to);
        $this->change->putLink($staff, $link->title, $link, $new, CarbonImmutable::now());

        return $this->back($link->title, 'kept');
    }

    public function lookAgain(Link $link): RedirectResponse
    {
        $this->change->lookAgain($link, CarbonImmutable::now());

        return $this->back($link->title, 'looked_soon');
    }

    private function back(Title $title, string $said): RedirectResponse
    {
        return redirect()->route('desk.elsewhere', $title)->with('said', __("holdings_desk.{$said}"));
    }
}

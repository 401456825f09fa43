<?php

declare(strict_types=1);

namespace App\Desk\Library;

use App\Catalogue\FrontDoor\FrontDoor;
use App\Models\StaffList;
use App\Models\StaffMember;
use App\Shared\Input;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\FrontRow;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** The rows of a library's front door: which, in which order, from when until when; seen as on a day to come. */
final class FrontController
{
    private const MOST_ROWS = 20;

    public function __construct(private readonly ChangeLibrary $change) {}

    public function edit(#[CurrentUser('staff')] StaffMember $staff): View
    {
        return view('desk.library.front', [
            'staff' => $staff,
            'rows' => FrontRow::read($staff->library->front_rows),
            'lists' => self::lists($staff),
            'today' => CarbonImmutable::now()->setTimezone($staff->library->zone())->format('Y-m-d'),
        ]);
    }

    public function add(Request $request, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        [$kind, $list] = explode(' ', Input::text($request, 'row')) + [1 => ''];
        $from = Input::text($request, 'from');
        $until = Input::text($request, 'until');
        $row = FrontRow::read([
            [
                'kind' => $kind,
                'list' => self::lists($staff)->find((int) $list)?->id,
                'from' => Input::day($request, 'from'),
                'until' => Input::day($request, 'until'),
            ],
        ]);
        $rows = FrontRow::read($staff->library->front_rows);
        $isDated =
            ($from === '' || Input::day($request, 'from') !== null) &&
            ($until === '' || Input::day($request, 'until') !== null);
        if ($row === [] || !$isDated || ($from !== '' && $until !== '' && $until < $from)) {
            return back()->withInput()->with('refusal', __('library.needs.row'));
        }
        if (count($rows) >= self::MOST_ROWS) {
            return back()->with('refusal', trans_choice('library.needs.fewer_rows', self::MOST_ROWS));
        }

        return $this->keep($staff, [...$rows, ...$row]);
    }

    /** A row goes up, down or away. */
    public function shift(Request $request, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        $rows = FrontRow::read($staff->library->front_rows);
        $at = (int) Input::text($request, 'at');
        $to = ['up' => $at - 1, 'down' => $at + 1, 'away' => -1][Input::text($request, 'to')] ?? $at;
        // Another window has changed them: what was meant is not known any more.
        if (!isset($rows[$at]) || Input::text($request, 'seen') !== self::seen($rows)) {
            return redirect()->route('desk.front')->with('refusal', __('library.needs.seen'));
        }
        $row = $rows[$at];
        unset($rows[$at]);
        $rows = array_values($rows);
        if (Input::text($request, 'to') !== 'away') {
            array_splice($rows, max(0, min(count($rows), $to)), 0, [$row]);
        }

        return $this->keep($staff, $rows);
    }

    public function preview(
        Request $request,
        #[CurrentUser('staff')] StaffMember $staff,
        FrontDoor $door,
        RequestContext $current,
    ): View {
        $zone = $staff->library->zone();
        $day = Input::day($request, 'on') ?? CarbonImmutable::now()->setTimezone($zone)->format('Y-m-d');
        // As anybody sees it who has not signed in.
        $current->library = $staff->library;
        $current->person = null;

        return view('catalogue.front-door.front-door', [
            ...$door->on($staff->library, CarbonImmutable::parse("{$day} 12:00", $zone)),
            'previewed' => $day,
        ]);
    }

    /** @param  list<FrontRow>  $rows */
    public static function seen(array $rows): string
    {
        return substr(sha1((string) json_encode(array_map(fn(FrontRow $row): array => $row->toArray(), $rows))), 0, 12);
    }

    /** @param  list<FrontRow>  $rows */
    private function keep(StaffMember $staff, array $rows): RedirectResponse
    {
        $this->change->front($staff, $rows, CarbonImmutable::now());

        return redirect()->route('desk.front')->with('said', __('library.kept'));
    }

    /** @return Collection<int, StaffList> */
    private static function lists(StaffMember $staff): Collection
    {
        return StaffList::query()->where('library_id', $staff->library_id)->orderBy('name')->get();
    }
}

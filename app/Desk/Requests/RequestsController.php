<?php

declare(strict_types=1);

namespace App\Desk\Requests;

use App\Exchange\Csv\CsvFile;
use App\Exchange\Supplier\TakeReading;
use App\Lending\Requests\KnownTitles;
use App\Lending\Requests\NameRequest;
use App\Models\StaffMember;
use App\Models\Title;
use App\Models\TitleRequest;
use App\Shared\Input;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\WantedTitle;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;
use stdClass;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** What patrons ask for, and the answers. Getting a title answers by itself. */
final class RequestsController
{
    private const LONGEST_ANSWER = 600;

    public function __construct(private readonly RequestedTitles $requests) {}

    public function index(#[CurrentUser('staff')] StaffMember $staff): View
    {
        return view('desk.requests.requests', [
            'staff' => $staff,
            'page' => $this->requests->byTitle($staff->library),
            'people' => $this->requests->people($staff->library),
            'inWords' => $this->requests->inWords($staff->library),
            'reading' => $this->requests->lastReading(),
            'supplied' => $this->requests->supplied(),
        ]);
    }

    public function csv(#[CurrentUser('staff')] StaffMember $staff): StreamedResponse
    {
        $day = fn(string $at): string => (new DateTimeImmutable($at))
            ->setTimezone($staff->library->zone())
            ->format('Y-m-d');

        return CsvFile::response(
            'requests',
            array_map(fn(string $of): string => __($of), [
                'desk.csv.title_id',
                'desk.csv.title',
                'desk.csv.people',
                'desk.csv.format',
                'desk.csv.number',
                'desk_requests.asked_for',
                'desk_requests.want_line',
                'desk_requests.first_asked',
                'desk_requests.last_asked',
                'desk_requests.offered_at',
            ]),
            array_map(
                fn(stdClass $row): array => [
                    $row->id,
                    $row->name,
                    $row->people,
                    $row->format === null ? '' : __("catalogue.format.{$row->format}"),
                    $row->number,
                    $row->asked,
                    $row->line,
                    $day($row->first_at),
                    $day($row->last_at),
                    $row->price_cents === null ? '' : sprintf('%.2f %s', $row->price_cents / 100, $row->currency),
                ],
                $this->requests->all($staff->library),
            ),
        );
    }

    public function show(Title $title, #[CurrentUser('staff')] StaffMember $staff): View
    {
        return view('desk.requests.request', [
            'staff' => $staff,
            'title' => $title->load(['contributors', 'series']),
            'rows' => $this->requests->ofTitle($staff->library, $title->id),
            'offer' => $this->requests->offer($title->id),
        ]);
    }

    public function titleCsv(Title $title, #[CurrentUser('staff')] StaffMember $staff): StreamedResponse
    {
        return CsvFile::response(
            "requests-{$title->id}",
            array_map(fn(string $of): string => __($of), [
                'desk_requests.first_asked',
                'desk.group',
                'desk_requests.want_told',
                'desk_requests.want_line',
                'desk.state',
            ]),
            array_map(
                fn(stdClass $row): array => [
                    (new DateTimeImmutable($row->asked_at))->setTimezone($staff->library->zone())->format(DATE_ATOM),
                    $row->patron_group,
                    (int) $row->wants_notice,
                    (int) $row->wants_hold,
                    __("desk_requests.request_states.{$row->state}"),
                ],
                $this->requests->ofTitle($staff->library, $title->id),
            ),
        );
    }

    public function decline(
        Request $request,
        Title $title,
        #[CurrentUser('staff')] StaffMember $staff,
        DeclineRequests $decline,
    ): RedirectResponse {
        $why = mb_substr(Input::text($request, 'why'), 0, self::LONGEST_ANSWER);
        if ($why === '') {
            return redirect()->route('desk.request', $title)->with('refusal', __('desk_requests.needs_answer'));
        }
        $answered = $decline->ofTitle($staff, $title, $why, CarbonImmutable::now());

        return redirect()
            ->route('desk.requests')
            ->with('said', trans_choice('desk_requests.answered', $answered, ['name' => $title->name]));
    }

    /** A request in a patron's words, with the titles that it may mean. */
    public function words(TitleRequest $asked, #[CurrentUser('staff')] StaffMember $staff): View
    {
        ($asked->title_id === null && $asked->state === 'open') || abort(404);

        return view('desk.requests.request-words', [
            'staff' => $staff,
            'asked' => $asked,
            'known' => KnownTitles::like(
                new WantedTitle(
                    (string) $asked->name,
                    (string) $asked->people,
                    $asked->format,
                    (string) $asked->number,
                ),
                loosely: true,
            ),
        ]);
    }

    public function name(
        Request $request,
        TitleRequest $asked,
        #[CurrentUser('staff')] StaffMember $staff,
        NameRequest $name,
    ): RedirectResponse {
        $title = KnownTitles::named(Input::text($request, 'title'));
        if ($title === null) {
            return redirect()
                ->route('desk.requests.words', $asked)
                ->with('refusal', __('desk_requests.no_such_title', ['text' => Input::text($request, 'title')]));
        }
        $answered = $name($asked->id, $staff->library_id, $title->id, CarbonImmutable::now());

        return match ($answered) {
            true => redirect()
                ->route('desk.requests')
                ->with('said', __('desk_requests.named_here', ['name' => $title->name])),
            false => redirect()
                ->route('desk.request', $title)
                ->with('said', __('desk_requests.named', ['name' => $title->name])),
            null => redirect()
                ->route('desk.requests')
                ->with('refusal', trans_choice('desk_requests.answered', 0, ['name' => $asked->name])),
        };
    }

    public function declineInWords(
        Request $request,
        TitleRequest $asked,
        #[CurrentUser('staff')] StaffMember $staff,
        DeclineRequests $decline,
    ): RedirectResponse {
        $why = mb_substr(Input::text($request, 'why'), 0, self::LONGEST_ANSWER);
        if ($why === '') {
            return redirect()->route('desk.requests.words', $asked)->with('refusal', __('desk_requests.needs_answer'));
        }
        $answered = $decline->inWords($staff, $asked, $why, CarbonImmutable::now());

        return redirect()
            ->route('desk.requests')
            ->with('said', trans_choice('desk_requests.answered', $answered ? 1 : 0, ['name' => $asked->name]));
    }

    /** A reading of the supplier's catalogue that was held back is right: what it does not have is offered no more. */
    public function takeReading(int $reading, TakeReading $take): RedirectResponse
    {
        return $take($reading)
            ? redirect()->route('desk.requests')->with('said', __('desk_requests.reading_taken'))
            : redirect()->route('desk.requests')->with('refusal', __('desk_requests.reading_superseded'));
    }
}

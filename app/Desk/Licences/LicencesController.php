<?php

declare(strict_types=1);

namespace App\Desk\Licences;

use App\Desk\Figures\Turnaways;
use App\Exchange\Csv\CsvFile;
use App\Lending\Waits\LibraryHabits;
use App\Models\StaffMember;
use App\Models\Title;
use App\Shared\Input;
use App\Shared\TitleNames;
use App\Shared\View\TitleText;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\Format;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\Request;
use Illuminate\View\View;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Licences and hold pressure: what needs attention, and the titles behind each figure. */
final class LicencesController
{
    public function __construct(
        private readonly TitlesUnderPressure $titles,
        private readonly TitlePressures $pressures,
    ) {}

    public function index(
        Request $request,
        #[CurrentUser('staff')] StaffMember $staff,
        Turnaways $turnaways,
        LibraryHabits $habits,
    ): View {
        $now = CarbonImmutable::now();
        $search = $this->search($request, $staff);
        [$figures, $page] = $this->titles->page($search, $now);

        return view('desk.licences.licences', [
            'staff' => $staff,
            'search' => $search,
            'figures' => $figures,
            'cases' => $this->cases($staff, $habits),
            'hasTitles' => $this->titles->hasAny($staff->library),
            'turnaways' => $turnaways->thisMonth($staff->library, $now),
            'page' => $page->appends($search->with([])),
        ]);
    }

    /** @return array<string, array{loans: int, holds: int}> by format, of which there are any */
    private function cases(StaffMember $staff, LibraryHabits $habits): array
    {
        $cases = [];
        foreach (Format::lent() as $format) {
            $cases[$format->value] = $habits->cases($staff->library_id, $format);
        }

        return array_filter($cases, fn(array $of): bool => $of['loans'] + $of['holds'] > 0);
    }

    /** The waits of a page of titles, and what would shorten them: asked for after the page, as they take longer. */
    public function waits(Request $request, #[CurrentUser('staff')] StaffMember $staff): View
    {
        $ids = array_filter(explode(',', Input::text($request, 'titles')), ctype_digit(...));
        $ids = array_map(intval(...), array_slice($ids, 0, TitlesUnderPressure::PAGE));
        $target = $this->search($request, $staff)->target;

        return view('desk.licences.waits', [
            'target' => $target,
            'pressures' => $this->pressures->ofAll(
                $staff->library,
                TitleNames::titles($ids),
                $target,
                CarbonImmutable::now(),
            ),
        ]);
    }

    public function csv(Request $request, #[CurrentUser('staff')] StaffMember $staff): StreamedResponse
    {
        $now = CarbonImmutable::now();
        $search = $this->search($request, $staff);
        $rows = function () use ($staff, $search, $now): iterable {
            foreach ($this->titles->all($search, $now) as $some) {
                $pressures = $this->pressures->ofAll(
                    $staff->library,
                    array_map(fn(TitleUnderPressure $of): Title => $of->title, $some),
                    $search->target,
                    $now,
                );
                foreach ($some as $of) {
                    yield self::row($of, $pressures[$of->title->id]);
                }
            }
        };

        return CsvFile::response(
            "licences-{$search->show}",
            array_map(fn(string $column): string => __("desk.csv.{$column}", ['days' => $search->target]), [
                'title_id',
                'title',
                'people',
                'format',
                'copies',
                'copies_free',
                'loans_left',
                'ends',
                'holds',
                'holds_per_copy',
                'wait_days',
                'extra_copies',
            ]),
            $rows(),
        );
    }

    /**
     * @param  array{wait: float|null, extra: int}  $pressure
     * @return list<string|int|float|null>
     */
    private static function row(TitleUnderPressure $of, array $pressure): array
    {
        return [
            $of->title->id,
            $of->title->name,
            TitleText::people($of->title),
            __("catalogue.format.{$of->title->format->value}"),
            $of->copies,
            $of->copiesFree,
            $of->loansLeft,
            $of->endsAt?->format(DATE_ATOM),
            $of->holds,
            $of->holdsPerCopy() === null ? null : round($of->holdsPerCopy(), 2),
            $pressure['wait'] === null ? 0 : (is_infinite($pressure['wait']) ? null : round($pressure['wait'], 1)),
            $pressure['extra'],
        ];
    }

    private function search(Request $request, StaffMember $staff): PressureSearch
    {
        return new PressureSearch(
            libraryId: $staff->library_id,
            show: Input::text($request, 'show'),
            words: mb_substr(Input::text($request, 'q'), 0, 400),
            format: Format::tryFrom(Input::text($request, 'format')),
            order: Input::text($request, 'order'),
            target: (int) Input::text($request, 'target'),
        );
    }
}

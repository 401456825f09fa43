<?php

declare(strict_types=1);

namespace App\Desk\Weeding;

use App\Desk\Figures\DeskText;
use App\Exchange\Csv\CsvFile;
use App\Models\StaffMember;
use App\Shared\Input;
use App\Shared\View\TitleText;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\Format;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\Request;
use Illuminate\View\View;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Titles that nobody has borrowed for long: whether to keep them is for staff to say. */
final class WeedingController
{
    private const USUAL_MONTHS = 12;

    private const COLUMNS = [
        'title_id',
        'title',
        'people',
        'format',
        'copies',
        'lent',
        'last',
        'since',
        'ends',
        'paid',
        'yearly',
    ];

    public function __construct(private readonly UnlentTitles $unlent) {}

    public function index(Request $request, #[CurrentUser('staff')] StaffMember $staff): View
    {
        [$months, $format] = self::asked($request);

        return view('desk.weeding.weeding', [
            'staff' => $staff,
            'months' => $months,
            'format' => $format,
            'page' => $this->unlent
                ->page($staff->library, $months, $format, CarbonImmutable::now())
                ->appends(['months' => $months, 'format' => $format?->value]),
        ]);
    }

    public function csv(Request $request, #[CurrentUser('staff')] StaffMember $staff): StreamedResponse
    {
        [$months, $format] = self::asked($request);
        $zone = $staff->library->zone();

        return CsvFile::response(
            __('weeding.heading'),
            array_map(fn(string $of): string => __("weeding.csv.{$of}"), self::COLUMNS),
            $this->unlent
                ->all($staff->library, $months, $format, CarbonImmutable::now())
                ->map(
                    fn(UnlentTitle $of): array => [
                        $of->title->id,
                        $of->title->name,
                        TitleText::people($of->title),
                        TitleText::format($of->title),
                        $of->copies,
                        $of->lent,
                        $of->lastLentAt?->setTimezone($zone)->format('Y-m-d'),
                        $of->since->setTimezone($zone)->format('Y-m-d'),
                        $of->endsAt?->setTimezone($zone)->format('Y-m-d'),
                        DeskText::money($of->paidCents),
                        DeskText::money($of->yearlyCents),
                    ],
                ),
        );
    }

    /** @return array{int, Format|null} */
    private static function asked(Request $request): array
    {
        $months = (int) Input::text($request, 'months');

        return [
            in_array($months, UnlentTitles::MONTHS, true) ? $months : self::USUAL_MONTHS,
            Format::tryFrom(Input::text($request, 'format')),
        ];
    }
}

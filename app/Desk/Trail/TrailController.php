<?php

declare(strict_types=1);

namespace App\Desk\Trail;

use App\Exchange\Csv\CsvFile;
use App\Models\StaffMember;
use DateTimeImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\Request;
use Illuminate\View\View;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** The audit trail: who changed what, from what to what, when. */
final class TrailController
{
    public function __construct(private readonly ChangesMade $changes) {}

    public function index(Request $request, #[CurrentUser('staff')] StaffMember $staff): View
    {
        $search = TrailSearch::of($request);

        return view('desk.trail.trail', [
            'staff' => $staff,
            'search' => $search,
            'page' => $this->changes->page($staff->library, $search),
            'people' => $this->changes->people($staff->library),
            'kinds' => $this->changes->kinds($staff->library),
        ]);
    }

    public function csv(Request $request, #[CurrentUser('staff')] StaffMember $staff): StreamedResponse
    {
        $zone = $staff->library->zone();
        $rows = function () use ($request, $staff, $zone): iterable {
            foreach ($this->changes->all($staff->library, TrailSearch::of($request)) as $row) {
                yield [
                    (new DateTimeImmutable($row->changed_at))->setTimezone($zone)->format(DATE_ATOM),
                    $row->by,
                    TrailText::what($row),
                    $row->subject,
                    implode('; ', TrailText::facts($row)),
                ];
            }
        };

        return CsvFile::response(
            'audit-trail',
            array_map(fn(string $of): string => __("trail.{$of}"), [
                'when',
                'who',
                'what_heading',
                'subject',
                'change',
            ]),
            $rows(),
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Exchange\Counter;

use App\Models\Library;
use App\Shared\Input;
use Carbon\CarbonImmutable;
use Closure;
use FigPorch\Core\Exchange\Counter\CounterError;
use FigPorch\Core\Exchange\Counter\CounterRefused;
use FigPorch\Core\Exchange\Counter\Report;
use FigPorch\Core\Exchange\Counter\ReportJson;
use FigPorch\Core\Exchange\Counter\ReportParameters;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The COUNTER API for Release 5.1 (from memory): reports of use, for programs. */
final class CounterController
{
    public function __construct(private readonly CounterKeys $keys, private readonly LibraryUsage $usage) {}

    public function status(): JsonResponse
    {
        return CounterAnswer::of([
            [
                'Description' => 'COUNTER usage reports of ' . config('app.name'),
                'Service_Active' => true,
                'Registry_Record' => '',
            ],
        ]);
    }

    public function members(Request $request): JsonResponse
    {
        return $this->answering(
            $request,
            fn(Library $library): array => [
                [
                    'Customer_ID' => $library->slug,
                    'Requestor_ID' => Input::text($request, 'requestor_id'),
                    'Name' => $library->name,
                    'Notes' => '',
                ],
            ],
        );
    }

    public function reports(Request $request): JsonResponse
    {
        return $this->answering($request, function (Library $library, CarbonImmutable $now): array {
            $last = LibraryUsage::ready($library, $now);
            $first = min(LibraryUsage::first($library, $now), $last);

            return array_map(
                fn(Report $of): array => [
                    'Report_Name' => $of->name(),
                    'Report_ID' => $of->value,
                    'Release' => '5.1',
                    'Report_Description' => $of->isView()
                        ? "A standard view of {$of->master()->value}"
                        : 'A report that can be filtered and parted',
                    'Path' => '/reports/' . strtolower($of->value),
                    'First_Month_Available' => $first,
                    'Last_Month_Available' => $last,
                ],
                Report::cases(),
            );
        });
    }

    public function report(Request $request, string $report): JsonResponse
    {
        return $this->answering(
            $request,
            fn(Library $library, CarbonImmutable $now): array => ReportJson::of(
                $this->usage->report(
                    $library,
                    ReportParameters::read($report, $request->query(), LibraryUsage::ready($library, $now)),
                    $now,
                ),
            ),
        );
    }

    public function unknown(Request $request): JsonResponse
    {
        return CounterAnswer::refused(
            str_starts_with($request->path(), 'counter/r51/')
                ? CounterError::ReportNotSupported
                : CounterError::VersionNotSupported,
            '/' . $request->path(),
        );
    }

    /**
     * Of the library whose key was said, and what is asked of it; or what is wrong.
     *
     * @param  Closure(Library, CarbonImmutable): array<mixed>  $of
     */
    private function answering(Request $request, Closure $of): JsonResponse
    {
        $now = CarbonImmutable::now();
        try {
            $library = $this->keys->library(
                Input::text($request, 'requestor_id'),
                Input::text($request, 'api_key'),
                Input::text($request, 'customer_id'),
                $now,
            );

            return CounterAnswer::of($of($library, $now));
        } catch (CounterRefused $refused) {
            return CounterAnswer::refused($refused->error, $refused->data);
        }
    }
}

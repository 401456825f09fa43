<?php

declare(strict_types=1);

namespace App\Exchange\Almanac;

use App\Account\Privacy\OwnData;
use App\Exchange\Csv\CsvFile;
use App\Shared\RequestContext;
use Illuminate\Http\JsonResponse;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** A person's Almanac as a file: titles as CSV, all of it as JSON. */
final class AlmanacFileController
{
    public function __invoke(string $kind, RequestContext $current, OwnData $data): StreamedResponse|JsonResponse
    {
        $of = $data->of($current->requiredPerson());
        $titles = $of['almanac_titles'];
        if ($kind === 'json') {
            return response()->json(
                ['titles' => $titles, 'readings' => $of['readings']],
                headers: [
                    'Content-Disposition' => 'attachment; filename="almanac.json"',
                    'Cache-Control' => 'no-store',
                ],
                options: JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
            );
        }
        $columns = ['title', 'title_number', 'begun_at', 'last_at', 'finished_at', 'stars', 'word', 'minutes'];

        return CsvFile::response(
            'almanac',
            array_map(fn(string $column): string => __("almanac.columns.{$column}"), $columns),
            array_map(fn(array $row): array => array_map(fn(string $column) => $row[$column], $columns), $titles),
        );
    }
}

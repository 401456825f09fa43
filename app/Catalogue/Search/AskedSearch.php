<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Lending\LoanRules\PayMonth;
use App\Models\StaffList;
use App\Shared\Input;
use App\Shared\RequestContext;
use DateTimeImmutable;
use Illuminate\Http\Request;

/** The search that an address asks for, of whoever is here. */
final class AskedSearch
{
    public function __construct(private readonly RequestContext $current, private readonly PayMonth $payMonth) {}

    /** @return array<string, string> what the address says */
    public function values(Request $request): array
    {
        $asked = array_map(
            fn(string|int $name): string => Input::text($request, (string) $name),
            array_combine($keys = array_keys($request->query()), $keys),
        );

        return array_filter($asked, fn(string $value): bool => $value !== '');
    }

    /**
     * @param  array<string, string>  $asked
     * @return array{SearchRequest, StaffList|null} the list, where it is one of the library's
     */
    public function of(array $asked, DateTimeImmutable $now): array
    {
        $library = $this->current->requiredLibrary();
        $list = isset($asked['list'])
            ? StaffList::query()->where('library_id', $library->id)->find((int) $asked['list'])
            : null;

        return [
            SearchRequest::read(
                $library->id,
                ['list' => $list === null ? '' : (string) $list->id] + $asked,
                $this->payMonth->eligibility($this->current->card(), $library, $now),
                $this->payMonth->elsewhere($this->current->person, $library, $now),
                $list?->words,
            ),
            $list,
        ];
    }
}

<?php

declare(strict_types=1);

namespace App\Queries\Lending;

use App\Models\Library;
use DateTimeImmutable;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\SpendingOrder;

/** From what kind of licence the next loan of each title would be taken. */
final class LoanSources
{
    public function __construct(private readonly UsableLicences $usableLicences)
    {
    }

    /**
     * @param  list<int>  $titleIds
     * @return array<int, LoanSource> by title; only those that are not the library's own copies
     */
    public function of(Library $library, array $titleIds, DateTimeImmutable $now): array
    {
        $sources = [];
        foreach ($this->usableLicences->of($library->id, $titleIds, $now) as $titleId => $licences) {
            $next = SpendingOrder::choose($licences, $library->id, $now) ?? $licences[0] ?? null;
            if ($next !== null && $next->model === LicenceModel::PayPerLoan) {
                $sources[$titleId] = LoanSource::Paid;
            } elseif ($next !== null && $next->libraryId !== $library->id) {
                $sources[$titleId] = LoanSource::Shared;
            }
        }

        return $sources;
    }
}

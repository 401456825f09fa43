<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Counter;

/** What was counted of one title in one month; of no title, of the searches. */
final readonly class Usage
{
    /** @param  string  $month  "2026-11" */
    public function __construct(
        public string $month,
        public ?Item $item,
        public int $searches = 0,
        public int $investigations = 0,
        public int $uniqueInvestigations = 0,
        public int $requests = 0,
        public int $uniqueRequests = 0,
        public int $limitExceeded = 0,
        public int $noLicence = 0,
    ) {}

    public function of(Metric $metric): int
    {
        $title = $this->item?->dataType->countsTitles() === true;

        return match ($metric) {
            // One searches in one catalogue; nobody's program, and none that searches many at once.
            Metric::SearchesPlatform, Metric::SearchesRegular => $this->searches,
            Metric::SearchesAutomated, Metric::SearchesFederated => 0,
            Metric::TotalItemInvestigations => $this->investigations,
            Metric::TotalItemRequests => $this->requests,
            Metric::UniqueItemInvestigations => $this->uniqueInvestigations,
            Metric::UniqueItemRequests => $this->uniqueRequests,
            // A book is one item, so that it is unique as often as it is one.
            Metric::UniqueTitleInvestigations => $title ? $this->uniqueInvestigations : 0,
            Metric::UniqueTitleRequests => $title ? $this->uniqueRequests : 0,
            Metric::LimitExceeded => $this->limitExceeded,
            Metric::NoLicense => $this->noLicence,
        };
    }
}

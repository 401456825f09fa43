<?php

declare(strict_types=1);

namespace App\Desk\Licences;

use FigPorch\Core\Catalogue\Format;

/** Which of a library's titles staff want to see, and the wait they aim at. */
final readonly class PressureSearch
{
    /** Those of which the page says how many there are. */
    public const COUNTED = ['waited_for', 'pressed', 'no_copy', 'ending', 'few_loans'];

    public const SHOWS = [...self::COUNTED, 'all'];

    public const ORDERS = ['pressure', 'holds', 'ends', 'loans_left', 'copies', 'name'];

    /** In days; common practice, no source. */
    public const TARGETS = [7, 14, 21, 28, 56];

    /** How far ahead an end is looked for, in days, and from how many loans left a licence has few. */
    public const ENDING_DAYS = 90;

    public const FEW_LOANS = 5;

    public string $show;

    public string $order;

    public int $target;

    public function __construct(
        public int $libraryId,
        string $show = '',
        public string $words = '',
        public ?Format $format = null,
        string $order = '',
        int $target = 0,
    ) {
        $this->show = in_array($show, self::SHOWS, true) ? $show : ($words !== '' ? 'all' : 'waited_for');
        $this->order = in_array($order, self::ORDERS, true)
            ? $order
            : match ($this->show) {
                'ending' => 'ends',
                'few_loans' => 'loans_left',
                default => 'pressure',
            };
        $this->target = in_array($target, self::TARGETS, true) ? $target : 21;
    }

    /**
     * The same with other choices, as a query string's values.
     *
     * @param  array<string, string|null>  $changes
     * @return array<string, string>
     */
    public function with(array $changes): array
    {
        return array_filter(
            [
                'show' => $this->show,
                'q' => $this->words,
                'format' => $this->format?->value,
                'order' => $this->order,
                'target' => (string) $this->target,
                ...$changes,
            ],
            fn(?string $value): bool => $value !== null && $value !== '',
        );
    }
}

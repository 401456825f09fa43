<?php

declare(strict_types=1);

namespace App\Desk\Trail;

use App\Shared\Input;
use DateTimeImmutable;
use Illuminate\Http\Request;

/** What is looked for in the audit trail. */
final readonly class TrailSearch
{
    /**
     * @param  int|null  $by  number of who changed it
     * @param  string|null  $from  first day, as year-month-day
     * @param  string|null  $until  last day
     */
    public function __construct(
        public ?int $by = null,
        public ?string $what = null,
        public string $find = '',
        public ?string $from = null,
        public ?string $until = null,
    ) {}

    /** What cannot be read is not looked for. */
    public static function of(Request $request): self
    {
        $by = Input::text($request, 'by');
        $day = function (string $name) use ($request): ?string {
            $text = Input::text($request, $name);
            $at = DateTimeImmutable::createFromFormat('!Y-m-d', $text);

            return $at !== false && $at->format('Y-m-d') === $text && $text >= '2000-01-01' && $text < '2200-01-01'
                ? $text
                : null;
        };

        return new self(
            preg_match('/^[1-9]\d{0,17}$/D', $by) === 1 ? (int) $by : null,
            mb_substr(Input::text($request, 'what'), 0, 40) ?: null,
            mb_substr(Input::text($request, 'find'), 0, 200),
            $day('from'),
            $day('until'),
        );
    }

    /** @return array<string, string|int> as in an address */
    public function address(): array
    {
        return array_filter(
            [
                'by' => $this->by,
                'what' => $this->what,
                'find' => $this->find,
                'from' => $this->from,
                'until' => $this->until,
            ],
            fn(string|int|null $value): bool => $value !== null && $value !== '',
        );
    }
}

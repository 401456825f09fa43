<?php

declare(strict_types=1);

namespace FigPorch\Core\Desk;

use DateTimeImmutable;
use FigPorch\Core\Lending\Forecast\Forecast;
use FigPorch\Core\Lending\Forecast\Line;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\LineLicence;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/** How long a line is for whoever joins it now, and how many more copies would bring that under a target. */
final readonly class HoldPressure
{
    /** Holds per copy from which libraries buy: common practice is 4 to 6, no source. */
    public const HIGH = 5;

    public function __construct(private Forecast $forecast, private int $effort = Forecast::EFFORT) {}

    /** Days within which 8 in 10 of those who join the line now get their copy; infinite where no copy may be left. */
    public function wait(Line $line, DateTimeImmutable $now): float
    {
        return $this->forecast->eightInTen(
            $line,
            $now,
            new Randomizer(new Xoshiro256StarStar($line->seed())),
            $this->effort,
        );
    }

    /**
     * The fewest copies more, each of one copy / one user and free at once, with which the wait stays under the target.
     * As many as stand in line and one more always do.
     *
     * @param  float|null  $wait  of the line as it is, where it is known already
     */
    public function extraCopies(Line $line, float $targetDays, DateTimeImmutable $now, ?float $wait = null): int
    {
        $enough = function (int $copies) use ($line, $targetDays, $now): bool {
            $more = self::with($line, $copies, $now);
            $random = new Randomizer(new Xoshiro256StarStar($more->seed()));

            return $this->forecast->isWithin($more, $targetDays, $now, $random, $this->effort);
        };
        if ($wait === null ? $enough(0) : $wait <= $targetDays) {
            return 0;
        }
        $tooFew = 0;
        $most = count($line->ahead) + 1;
        $fits = 1;
        while ($fits < $most && !$enough($fits)) {
            $tooFew = $fits;
            $fits = min($most, 2 * $fits);
        }
        while ($fits - $tooFew > 1) {
            $middle = intdiv($fits + $tooFew, 2);
            if ($enough($middle)) {
                $fits = $middle;
            } else {
                $tooFew = $middle;
            }
        }

        return $fits;
    }

    private static function with(Line $line, int $copies, DateTimeImmutable $now): Line
    {
        $more = new Licence(
            id: 0,
            libraryId: $line->licences[0]->licence->libraryId ?? 0,
            model: LicenceModel::OneCopyOneUser,
            copies: $copies,
            copiesFree: $copies,
            loansLeft: null,
            startsAt: $now,
            endsAt: null,
        );

        return $copies === 0
            ? $line
            : new Line([...$line->licences, new LineLicence($more)], $line->ahead, $line->pausedUntil);
    }
}

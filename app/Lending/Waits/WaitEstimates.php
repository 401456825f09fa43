<?php

declare(strict_types=1);

namespace App\Lending\Waits;

use App\Lending\LoanRules\LibraryRules;
use App\Models\Library;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\Forecast\Forecast;
use FigPorch\Core\Lending\Forecast\Line;
use FigPorch\Core\Lending\Forecast\WaitEstimate;
use FigPorch\Core\Lending\LineLicence;
use FigPorch\Core\Lending\WaitingHold;
use FigPorch\Core\Lending\WorstCaseWait;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/** When a place in a library's line gets its copy: the likely range, and the latest that can be promised. */
final class WaitEstimates
{
    /** @var array<string, Forecast> by library, format and the hours that a copy is kept */
    private array $forecasts = [];

    public function __construct(
        private readonly LibraryHabits $habitsOf,
        private readonly LibraryRules $rules,
        private readonly ForecastScores $scores,
    ) {}

    /**
     * @param  list<LineLicence>  $licences  those that the library's patrons can use
     * @param  list<WaitingHold>  $ahead  the library's holds before this place
     */
    public function of(
        Library $library,
        Format $format,
        array $licences,
        array $ahead,
        ?DateTimeImmutable $pausedUntil,
        DateTimeImmutable $now,
        int $effort = Forecast::EFFORT,
    ): WaitEstimate {
        return $this->corrected(
            $this->drawn(
                library: $library,
                format: $format,
                licences: $licences,
                ahead: $ahead,
                pausedUntil: $pausedUntil,
                now: $now,
                effort: $effort,
            ),
            $library,
            count($ahead),
            $now,
        );
    }

    /** As it is shown: by how often such ranges held. */
    public function corrected(WaitEstimate $drawn, Library $library, int $ahead, DateTimeImmutable $now): WaitEstimate
    {
        return $this->scores->correction($library->id, $ahead)->applied($drawn, $now, $library->zone());
    }

    /**
     * @param  list<LineLicence>  $licences
     * @param  list<WaitingHold>  $ahead
     */
    public function drawn(
        Library $library,
        Format $format,
        array $licences,
        array $ahead,
        ?DateTimeImmutable $pausedUntil,
        DateTimeImmutable $now,
        int $effort,
    ): WaitEstimate {
        if (LineLicence::onOrder($licences)) {
            return WaitEstimate::none();
        }
        [$longest, $keptHours] = $this->rules->slowest($library->id, $format);
        $latest = WorstCaseWait::at(
            licences: $licences,
            libraryId: $library->id,
            place: count($ahead) + 1,
            longest: $longest,
            holdKeptHours: $keptHours,
            libraryZone: $library->zone(),
            now: $now,
        );
        if ($pausedUntil !== null && $latest !== null) {
            // A copy may have gone on just before the pause ends, for a whole loan.
            $latest = max(
                $latest,
                $longest->dueAt($pausedUntil->modify('+' . 2 * $keptHours . ' hours'), $library->zone()),
            );
        }
        $line = new Line(self::countedOn($library->id, $licences, $now), $ahead, $pausedUntil);

        $forecast = $this->forecasts["{$library->id} {$format->value} {$keptHours}"] ??= new Forecast(
            $this->habitsOf->library($library->id, $format),
            $keptHours,
        );

        return $forecast->of(
            line: $line,
            latest: $latest,
            now: $now,
            zone: $library->zone(),
            random: new Randomizer(new Xoshiro256StarStar($line->seed())),
            effort: $effort,
        );
    }

    /**
     * Copies that others share serve their own lines first: they are counted on only where there are none of the
     * library's own.
     *
     * @param  list<LineLicence>  $licences
     * @return list<LineLicence>
     */
    public static function countedOn(int $libraryId, array $licences, DateTimeImmutable $now): array
    {
        $own = array_values(
            array_filter(
                $licences,
                fn(LineLicence $l): bool => $l->licence->libraryId === $libraryId && $l->licence->canFillHolds($now),
            ),
        );

        return $own === [] ? $licences : $own;
    }
}

<?php

declare(strict_types=1);

namespace App\Desk\Licences;

use App\Lending\LoanRules\LibraryRules;
use App\Lending\Waits\LibraryHabits;
use App\Lending\Waits\WaitEstimates;
use App\Models\Library;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Desk\HoldPressure;
use FigPorch\Core\Lending\Forecast\Forecast;
use FigPorch\Core\Lending\Forecast\Line;
use FigPorch\Core\Lending\LineLicence;
use FigPorch\Core\Lending\WaitingHold;

/** The pressure on a library's lines, reckoned with that library's habits. */
final class LibraryPressure
{
    public function __construct(private readonly LibraryHabits $habitsOf, private readonly LibraryRules $rules) {}

    public function of(Library $library, Format $format, int $effort = Forecast::EFFORT): HoldPressure
    {
        return new HoldPressure($this->forecast($library, $format), $effort);
    }

    public function forecast(Library $library, Format $format): Forecast
    {
        return new Forecast(
            $this->habitsOf->library($library->id, $format),
            $this->rules->slowest($library->id, $format)[1],
        );
    }

    /**
     * The place of who joins the line now, before the same copies as the patrons' forecast counts on.
     *
     * @param  list<LineLicence>  $licences
     * @param  list<WaitingHold>  $waiting
     */
    public function line(Library $library, array $licences, array $waiting, DateTimeImmutable $now): Line
    {
        return new Line(WaitEstimates::countedOn($library->id, $licences, $now), $waiting);
    }
}

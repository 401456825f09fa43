<?php

declare(strict_types=1);

namespace App\Desk\Licences;

use App\Lending\Licences\UsableLicences;
use App\Lending\Queues\HoldQueues;
use App\Models\Library;
use App\Models\Title;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LineLicence;
use FigPorch\Core\Lending\WaitingHold;

/** How long the lines of many titles are for who joins them now, and how many copies more would shorten them. */
final class TitlePressures
{
    public function __construct(
        private readonly UsableLicences $usableLicences,
        private readonly HoldQueues $lines,
        private readonly LibraryPressure $pressure,
    ) {}

    /**
     * @param  iterable<Title>  $titles
     * @return array<int, array{wait: float|null, extra: int}> by title, as of() has them
     */
    public function ofAll(Library $library, iterable $titles, int $target, DateTimeImmutable $now): array
    {
        $formats = [];
        foreach ($titles as $title) {
            $formats[$title->id] = $title->format;
        }
        $waited = array_filter(
            $this->usableLicences->of($library->id, array_keys($formats), $now),
            fn(array $licences): bool => array_filter($licences, fn(Licence $l): bool => $l->canLend($now)) === [],
        );
        $lines = $this->lines->of($library->id, $waited);
        $pressures = [];
        foreach ($formats as $id => $format) {
            $pressures[$id] = isset($lines[$id])
                ? $this->of($library, $format, $lines[$id], $target, $now)
                : ['wait' => null, 'extra' => 0];
        }

        return $pressures;
    }

    /**
     * @param  array{licences: list<LineLicence>, waiting: list<WaitingHold>}  $line
     * @param  int  $target  days
     * @return array{wait: float|null, extra: int} days within which 8 in 10 of those who join the line now get it,
     *     infinite where there may be no copy, null where nobody has to wait; copies that bring that under the target
     */
    public function of(Library $library, Format $format, array $line, int $target, DateTimeImmutable $now): array
    {
        if (array_filter($line['licences'], fn(LineLicence $l): bool => $l->licence->canLend($now)) !== []) {
            return ['wait' => null, 'extra' => 0];
        }
        $pressure = $this->pressure->of($library, $format);
        $of = $this->pressure->line($library, $line['licences'], $line['waiting'], $now);
        $wait = $pressure->wait($of, $now);

        return ['wait' => $wait, 'extra' => $pressure->extraCopies($of, $target, $now, $wait)];
    }
}

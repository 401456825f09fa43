<?php

declare(strict_types=1);

namespace App\Desk\Titles;

use App\Lending\Licences\UsableLicences;
use App\Lending\Queues\HoldQueues;
use App\Lending\Waits\WaitEstimates;
use App\Models\Library;
use App\Models\Title;
use DateTimeImmutable;
use FigPorch\Core\Desk\LineChange;
use FigPorch\Core\Lending\Forecast\WaitEstimate;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\LineLicence;
use FigPorch\Core\Lending\WaitingHold;

/** A title's line at a library, as it stands and as a change of licences would leave it. */
final class TitleQueue
{
    public function __construct(
        private readonly UsableLicences $usableLicences,
        private readonly HoldQueues $lines,
        private readonly WaitEstimates $turns,
    ) {}

    /**
     * @return array{licences: list<LineLicence>, waiting: list<WaitingHold>} the library's own, and those
     *     that others share
     */
    public function of(Library $library, Title $title, DateTimeImmutable $now): array
    {
        return $this->lines->of($library->id, $this->usableLicences->of($library->id, [$title->id], $now))[$title->id];
    }

    /**
     * The line as an order would leave it; nothing is written.
     *
     * @param  list<LineLicence>  $licences
     */
    public function change(LicenceOrder $order, int $libraryId, array $licences, DateTimeImmutable $now): LineChange
    {
        return match ($order->what) {
            OrderKind::Copies => LineChange::copies($licences, $order->licence->id ?? 0, (int) $order->copies),
            OrderKind::End => LineChange::ended($licences, $order->licence->id ?? 0, $order->endsAt ?? $now, $now),
            OrderKind::Add => LineChange::added(
                $licences,
                new Licence(
                    id: 0,
                    libraryId: $libraryId,
                    model: $order->model,
                    copies: $order->copies,
                    copiesFree: $order->copies,
                    loansLeft: $order->model === LicenceModel::PayPerLoan ? 1 : $order->loans,
                    startsAt: $order->startsAt ?? $now,
                    endsAt: $order->endsAt,
                ),
            ),
        };
    }

    /**
     * When places in line get their copy.
     *
     * @param  list<LineLicence>  $licences
     * @param  list<WaitingHold>  $waiting
     * @param  list<int>  $places  from 1
     * @return array<int, WaitEstimate> by place
     */
    public function turns(
        Library $library,
        Title $title,
        array $licences,
        array $waiting,
        array $places,
        DateTimeImmutable $now,
    ): array {
        $turns = [];
        foreach ($places as $place) {
            $turns[$place] = $this->turns->of(
                library: $library,
                format: $title->format,
                licences: $licences,
                ahead: array_slice($waiting, 0, $place - 1),
                pausedUntil: $waiting[$place - 1]->pausedUntil ?? null,
                now: $now,
            );
        }

        return $turns;
    }
}

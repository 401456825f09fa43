<?php

declare(strict_types=1);

namespace FigPorch\Core\Desk;

use DateTimeImmutable;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\LineLicence;
use InvalidArgumentException;

/** The licences of a line as a change would leave them, before it is made. */
final readonly class LineChange
{
    /**
     * @param  list<LineLicence>  $licences
     * @param  int  $setBack  ready holds that would lose their copy and stand at the head of the line again
     */
    private function __construct(public array $licences, public int $setBack = 0) {}

    /** @param  list<LineLicence>  $licences */
    public static function added(array $licences, Licence $licence): self
    {
        return new self([...$licences, new LineLicence($licence)]);
    }

    /**
     * Copies on loan stay; copies kept for holds go back where more are kept than are left, the last made ready first.
     *
     * @param  list<LineLicence>  $licences
     *
     * @throws InvalidArgumentException when more copies are on loan than would be left
     */
    public static function copies(array $licences, int $licenceId, int $copies): self
    {
        return self::changed($licences, $licenceId, function (LineLicence $state) use ($copies): array {
            $left = $copies - count($state->dueAt);
            if ($left < 0) {
                throw new InvalidArgumentException('More copies are on loan than would be left.');
            }
            $kept = array_slice($state->readyUntil, 0, $left);
            $setBack = count($state->readyUntil) - count($kept);

            return [
                self::replace(
                    state: $state,
                    kept: $kept,
                    copies: $copies,
                    free: $left - count($kept),
                    setBack: $setBack,
                    endsAt: $state->licence->endsAt,
                ),
                $setBack,
            ];
        });
    }

    /**
     * @param  list<LineLicence>  $licences
     * @param  DateTimeImmutable  $at  now or later: ended at once, its ready holds lose their copies
     */
    public static function ended(array $licences, int $licenceId, DateTimeImmutable $at, DateTimeImmutable $now): self
    {
        return self::changed($licences, $licenceId, function (LineLicence $state) use ($at, $now): array {
            $kept =
                $at <= $now
                    ? []
                    : array_map(
                        fn(DateTimeImmutable $until): DateTimeImmutable => min($until, $at),
                        $state->readyUntil,
                    );
            $setBack = count($state->readyUntil) - count($kept);

            return [
                self::replace(
                    state: $state,
                    kept: $kept,
                    copies: $state->licence->copies,
                    free: ($state->licence->copiesFree ?? 0) + $setBack,
                    setBack: $setBack,
                    endsAt: $at,
                ),
                $setBack,
            ];
        });
    }

    /** How many of the holds that wait would get a copy at once. */
    public function servedAtOnce(int $waiting, DateTimeImmutable $now): int
    {
        $copies = 0;
        foreach ($this->licences as $state) {
            $licence = $state->licence;
            if ($licence->canLend($now) && $licence->model->takesHolds()) {
                $copies +=
                    $licence->model === LicenceModel::Simultaneous
                        ? $waiting
                        : min($licence->copiesFree ?? 0, $licence->loansLeft ?? PHP_INT_MAX);
            }
        }

        return min($waiting, $copies);
    }

    /**
     * @param  list<LineLicence>  $licences
     * @param  callable(LineLicence): array{LineLicence, int}  $change
     */
    private static function changed(array $licences, int $licenceId, callable $change): self
    {
        foreach ($licences as $i => $state) {
            if ($state->licence->id === $licenceId) {
                [$licences[$i], $setBack] = $change($state);

                return new self($licences, $setBack);
            }
        }

        throw new InvalidArgumentException("Licence {$licenceId} is not one of this line.");
    }

    /** @param  list<DateTimeImmutable>  $kept */
    private static function replace(
        LineLicence $state,
        array $kept,
        ?int $copies,
        int $free,
        int $setBack,
        ?DateTimeImmutable $endsAt,
    ): LineLicence {
        $was = $state->licence;
        $licence = new Licence(
            id: $was->id,
            libraryId: $was->libraryId,
            model: $was->model,
            copies: $copies,
            copiesFree: $copies === null ? null : $free,
            loansLeft: $was->loansLeft === null ? null : $was->loansLeft + $setBack,
            startsAt: $was->startsAt,
            endsAt: $endsAt,
            onOrder: $was->onOrder,
        );

        return new LineLicence($licence, $state->dueAt, $kept, $state->startedAt);
    }
}

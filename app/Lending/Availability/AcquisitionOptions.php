<?php

declare(strict_types=1);

namespace App\Lending\Availability;

use App\Models\Card;
use App\Models\Library;
use App\Models\Person;
use App\Models\Title;
use DateTimeImmutable;
use FigPorch\Core\Lending\Availability;
use FigPorch\Core\Lending\Forecast\Forecast;

/** Every edition of a work on every card that a person holds, the soonest to have first. */
final class AcquisitionOptions
{
    public function __construct(private readonly TitleAvailability $availability) {}

    /**
     * @param  Library  $library  the one whose pages are being looked at
     * @param  iterable<Title>  $editions  the title looked at first
     * @return list<AcquisitionOption>
     */
    public function of(
        Library $library,
        ?Person $person,
        iterable $editions,
        OwnItems $own,
        DateTimeImmutable $now,
    ): array {
        $places = [[$library, $person?->cardAt($library)]];
        foreach ($person->cards ?? [] as $card) {
            if ($card->library_id !== $library->id) {
                $places[] = [$card->library, $card];
            }
        }
        $ways = [];
        foreach ($places as $n => [$at, $card]) {
            $standings = $this->availability->of($at, $editions, $card, $now, Forecast::EFFORT);
            foreach ($editions as $edition) {
                $standing = $standings[$edition->id];
                if ($n === 0 ? self::isShown($standing, $edition, $editions) : self::isMore($standing, $at, $library)) {
                    $ways[] = new AcquisitionOption(
                        title: $edition,
                        library: $at,
                        card: $card,
                        standing: $standing,
                        source: $standing->source,
                        oneOfSeveralCards: count($places) > 1,
                    );
                }
            }
        }
        $order = [];
        foreach ($ways as $i => $way) {
            $order[] = [...self::soonest($way, $own, $now), $i];
        }
        asort($order);

        return array_map(fn(int $i): AcquisitionOption => $ways[$i], array_keys($order));
    }

    /**
     * Of many titles the one card each through which it is to be had soonest.
     *
     * @param  iterable<Title>  $titles
     * @return array<int, AcquisitionOption> by title
     */
    public function soonestOf(
        Library $library,
        Person $person,
        iterable $titles,
        OwnItems $own,
        DateTimeImmutable $now,
    ): array {
        $best = [];
        foreach (
            [
                $library,
                ...$person->cards
                    ->where('library_id', '<>', $library->id)
                    ->map(fn(Card $card): Library => $card->library)
                    ->values(),
            ]
            as $at
        ) {
            $card = $person->cardAt($at);
            $standings = $this->availability->of($at, $titles, $card, $now);
            foreach ($titles as $title) {
                $way = new AcquisitionOption(
                    title: $title,
                    library: $at,
                    card: $card,
                    standing: $standings[$title->id],
                    source: null,
                    oneOfSeveralCards: true,
                );
                if (
                    !isset($best[$title->id]) ||
                    self::soonest($way, $own, $now) < self::soonest($best[$title->id], $own, $now)
                ) {
                    $best[$title->id] = $way;
                }
            }
        }

        return $best;
    }

    /**
     * Of what is on paper and stands nowhere any more nothing is to be said beside other editions.
     *
     * @param  iterable<Title>  $editions
     */
    private static function isShown(AvailableTitle $standing, Title $edition, iterable $editions): bool
    {
        return $standing->elsewhere === null ||
            !$standing->elsewhere->isNowhere() ||
            $edition === self::first($editions);
    }

    /** Whether another card is another way: to what is on paper no card is, but in another consortium. */
    private static function isMore(AvailableTitle $standing, Library $at, Library $library): bool
    {
        return $standing->elsewhere === null
            ? $standing->availability !== Availability::NotHere
            : !$standing->elsewhere->isNowhere() &&
                    ($at->consortium_id === null || $at->consortium_id !== $library->consortium_id);
    }

    /** @param  iterable<Title>  $editions */
    private static function first(iterable $editions): ?Title
    {
        foreach ($editions as $edition) {
            return $edition;
        }

        return null;
    }

    /** @return array{int, int} */
    private static function soonest(AcquisitionOption $way, OwnItems $own, DateTimeImmutable $now): array
    {
        $loan = $own->loan($way->title->id);
        $ready = $own->readyHold($way->title->id, $now);

        return match (true) {
            $loan !== null && $loan->card_id === $way->card?->id => [0, 0],
            $ready !== null && $ready->card_id === $way->card?->id => [1, 0],
            $way->standing->elsewhere !== null => match (true) {
                $way->standing->elsewhere->links !== [] => [2, 2],
                $way->standing->elsewhere->holdings !== [] => [4, 1],
                default => [6, 0],
            },
            $way->standing->aboveCard => [5, 0],
            $way->standing->availability->canBorrow() => [2, $way->source === LoanSource::Paid ? 1 : 0],
            $way->standing->availability === Availability::Wait => [
                3,
                $way->standing->turn?->middle?->getTimestamp() ??
                ($way->standing->resetsAt?->getTimestamp() ?? PHP_INT_MAX),
            ],
            $way->standing->availability === Availability::OnOrder => [4, 0],
            default => [6, 0],
        };
    }
}

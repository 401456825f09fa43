<?php

declare(strict_types=1);

namespace App\Queries\Lending;

use App\Models\Card;
use App\Models\Library;
use App\Models\Title;
use DateTimeImmutable;
use FigPorch\Core\Lending\Availability;
use FigPorch\Core\Lending\LatestTurn;
use FigPorch\Core\Lending\Licence;

/** Availability, and where there is a wait its end, of many titles at once. */
final class Standings
{
    public function __construct(
        private readonly UsableLicences $usableLicences,
        private readonly Lines $lines,
        private readonly Rules $rules,
    ) {
    }

    /**
     * @param  iterable<Title>  $titles
     * @param  Card|null  $card  whose rules count; without one those of an adult
     * @return array<int, TitleStanding> by title
     */
    public function of(Library $library, iterable $titles, ?Card $card, DateTimeImmutable $now): array
    {
        $byId = [];
        foreach ($titles as $title) {
            $byId[$title->id] = $title;
        }
        $licences = $this->usableLicences->of($library->id, array_keys($byId));
        $availability = array_map(fn (array $of): Availability => Availability::of($of, $now), $licences);
        $waited = array_keys(array_filter($availability, fn (Availability $a): bool => $a === Availability::Wait));
        $lines = $this->lines->of($library->id, array_intersect_key($licences, array_flip($waited)));

        $allowed = $this->rules->allowed($card);

        $standings = [];
        foreach ($byId as $id => $title) {
            $latest = null;
            $place = 1 + ($lines[$id]['waiting'] ?? 0);
            if ($availability[$id] === Availability::Wait) {
                $terms = $this->rules->terms($library->id, $card->patron_group ?? 'adult', $title->format);
                $latest = LatestTurn::at($lines[$id]['licences'], $place, $terms->longest(), $terms->holdKeptHours, $library->zone(), $now);
            }
            $standings[$id] = new TitleStanding(
                $availability[$id],
                (int) array_sum(array_map(fn (Licence $l): int => $l->hasFuture($now) ? (int) $l->copies : 0, $licences[$id])),
                (int) array_sum(array_map(fn (Licence $l): int => $l->isLive($now) ? (int) $l->copiesFree : 0, $licences[$id])),
                $place,
                $latest,
                $availability[$id] === Availability::NotHere ? self::wentAt($licences[$id], $now) : null,
                $library->zone(),
                $allowed !== null && ! in_array("{$title->format->value}:{$title->audience->value}", $allowed, true),
            );
        }

        return $standings;
    }

    /** @param  list<Licence>  $licences */
    private static function wentAt(array $licences, DateTimeImmutable $now): ?DateTimeImmutable
    {
        $ends = array_map(fn (Licence $l): DateTimeImmutable => $l->endsAt !== null && $l->endsAt <= $now ? $l->endsAt : $now, $licences);

        return $ends === [] ? null : max($ends);
    }
}

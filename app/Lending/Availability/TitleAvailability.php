<?php

declare(strict_types=1);

namespace App\Lending\Availability;

use App\Lending\Holdings\StandsElsewhere;
use App\Lending\Licences\UsableLicences;
use App\Lending\LoanRules\LibraryRules;
use App\Lending\LoanRules\PayMonth;
use App\Lending\Queues\HoldQueues;
use App\Lending\Waits\WaitEstimates;
use App\Models\Card;
use App\Models\Library;
use App\Models\Title;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\Availability;
use FigPorch\Core\Lending\Forecast\Forecast;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\PayPerLoan;
use Illuminate\Support\Facades\DB;

/** Availability, and where there is a wait its end, of many titles at once. */
final class TitleAvailability
{
    /** @var array<string, int> loans open of a format, by card and format, counted once a request */
    private array $openOf = [];

    public function __construct(
        private readonly UsableLicences $usableLicences,
        private readonly HoldQueues $lines,
        private readonly LibraryRules $rules,
        private readonly WaitEstimates $turns,
        private readonly PayMonth $payMonth,
        private readonly StandsElsewhere $standsElsewhere,
    ) {}

    /**
     * @param  iterable<Title>  $titles
     * @param  Card|null  $card  whose rules count; without one those of an adult
     * @param  list<int>  $undated  titles of which it is enough to know that there is a wait, and not for how long
     * @return array<int, AvailableTitle> by title
     */
    public function of(
        Library $library,
        iterable $titles,
        ?Card $card,
        DateTimeImmutable $now,
        int $effort = Forecast::BRIEF,
        array $undated = [],
    ): array {
        $byId = [];
        foreach ($titles as $title) {
            $byId[$title->id] = $title;
        }
        $licences = $this->usableLicences->of($library->id, array_keys($byId), $now);
        $sources = array_map(fn(array $of): ?LoanSource => LoanSource::ofNext($of, $library->id, $now), $licences);
        $capped = [];
        foreach ($byId as $id => $title) {
            $capped[$id] = $card !== null && $this->payMonth->of($card, $library, $title->format, $now)->capReached();
            if ($capped[$id]) {
                $licences[$id] = array_values(
                    array_filter(
                        $licences[$id],
                        fn(Licence $l): bool => $l->model !== LicenceModel::PayPerLoan || !$l->canLend($now),
                    ),
                );
            }
        }
        $availability = array_map(fn(array $of): Availability => Availability::of($of, $now), $licences);
        foreach (array_keys(array_filter($capped)) as $id) {
            $availability[$id] = $availability[$id] === Availability::NotHere ? Availability::Wait : $availability[$id];
        }
        $waited = array_filter(
            $licences,
            fn(array $of, int $id): bool => in_array(
                $availability[$id],
                [Availability::Wait, Availability::OnOrder],
                true,
            ) && self::takesHolds($of, $now),
            ARRAY_FILTER_USE_BOTH,
        );
        $lines = $this->lines->of($library->id, array_diff_key($waited, array_flip($undated)));
        $allowed = $this->rules->allowed($card);
        $elsewhere = $this->standsElsewhere->of($library, $byId);

        $standings = [];
        foreach ($byId as $id => $title) {
            $ahead = $lines[$id]['waiting'] ?? [];
            $standings[$id] = new AvailableTitle(
                availability: $availability[$id],
                copies: (int) array_sum(
                    array_map(fn(Licence $l): int => $l->hasFuture($now) ? (int) $l->copies : 0, $licences[$id]),
                ),
                copiesFree: (int) array_sum(
                    array_map(fn(Licence $l): int => $l->isLive($now) ? (int) $l->copiesFree : 0, $licences[$id]),
                ),
                nextPlace: count($ahead) + 1,
                turn: isset($lines[$id])
                    ? $this->turns->of(
                        library: $library,
                        format: $title->format,
                        licences: $lines[$id]['licences'],
                        ahead: $ahead,
                        pausedUntil: null,
                        now: $now,
                        effort: $effort,
                    )
                    : null,
                wentAt: $availability[$id] === Availability::NotHere ? self::wentAt($licences[$id], $now) : null,
                zone: $library->zone(),
                aboveCard: $allowed !== null &&
                    !in_array("{$title->format->value}:{$title->audience->value}", $allowed, true),
                resetsAt: $availability[$id] === Availability::Wait && !isset($waited[$id])
                    ? PayPerLoan::nextMonth($now, $library->zone())
                    : null,
                takesHolds: isset($waited[$id]),
                source: $sources[$id],
                short: $card === null
                    ? null
                    : $this->rules->terms($card->library_id, $card->patron_group, $title->format)->shortLook(),
                atLimit: $card === null ? null : $this->atLimit($card, $title->format),
                elsewhere: $elsewhere[$id] ?? null,
            );
        }

        return $standings;
    }

    /** How many loans the card has, if it may have no more of the format. */
    private function atLimit(Card $card, Format $format): ?int
    {
        $terms = $this->rules->terms($card->library_id, $card->patron_group, $format);
        $open = $card->loans_open;
        if ($terms->loansCountedByFormat && $open >= $terms->maxLoans) {
            $open = $this->openOf["{$card->id}:{$format->value}"] ??= DB::scalar(
                'select count(*) from loans l join titles t on t.id = l.title_id
                    where l.card_id = ? and l.ended_at is null and t.format = ?',
                [$card->id, $format->value],
            );
        }

        return $open >= $terms->maxLoans ? $terms->maxLoans : null;
    }

    /** @param  list<Licence>  $licences */
    private static function takesHolds(array $licences, DateTimeImmutable $now): bool
    {
        return array_filter($licences, fn(Licence $l): bool => $l->canFillHolds($now)) !== [];
    }

    /** @param  list<Licence>  $licences */
    private static function wentAt(array $licences, DateTimeImmutable $now): ?DateTimeImmutable
    {
        $ends = array_map(
            fn(Licence $l): DateTimeImmutable => $l->endsAt !== null && $l->endsAt <= $now ? $l->endsAt : $now,
            $licences,
        );

        return $ends === [] ? null : max($ends);
    }
}

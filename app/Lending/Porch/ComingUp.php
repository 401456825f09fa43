<?php

declare(strict_types=1);

namespace App\Lending\Porch;

use App\Lending\Holds\HoldWithEstimate;
use App\Lending\LoanRules\LibraryRules;
use App\Lending\Loans\LoanWithProgress;
use App\Models\Card;
use DateTimeImmutable;
use DateTimeZone;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\Spread;
use Illuminate\Support\Collection;

/** The timeline of due dates and expected holds, laid out for a drawing; and what would pile up. */
final class ComingUp
{
    private const LEFT = 190;

    /** Beside the bars, for what each says. */
    private const RIGHT = 190;

    private const ROW = 27;

    private const TOP = 26;

    /** @var list<int> days between two lines of the grid, of which the first that leaves few enough is taken */
    private const STEPS = [7, 14, 28, 56, 91, 182, 365];

    private const MOST_LINES = 6;

    public function __construct(private readonly LibraryRules $rules) {}

    /**
     * A loan is drawn from now to its due time; a hold over its likely range with the middle marked; a ready hold to
     * the time that it is kept until.
     *
     * @param  Collection<int, LoanWithProgress>  $loans
     * @param  Collection<int, HoldWithEstimate>  $holds
     * @param  int  $width  of the time axis, in the drawing's units
     * @return array{rows: list<array{kind: string, name: string, title: int, y: int, from: float, to: float,
     *     middle: float|null, start: DateTimeImmutable, end: DateTimeImmutable|null, latest: DateTimeImmutable|null,
     *     zone: DateTimeZone}>, weeks: list<array{x: float, at: DateTimeImmutable}>, left: int, width: int, height: int}
     */
    public function chart(Collection $loans, Collection $holds, DateTimeImmutable $now, int $width = 400): array
    {
        $items = [];
        foreach ($holds as $in) {
            if ($in->isReady()) {
                $items[] = [
                    'ready',
                    $in->hold->title,
                    $now,
                    $in->hold->kept_until,
                    null,
                    null,
                    $in->hold->card->library->zone(),
                ];
            }
        }
        foreach ($loans as $on) {
            $kind = $on->loan->due_at < $now->modify('+3 days') ? 'due_soon' : 'loan';
            $items[] = [
                $kind,
                $on->loan->title,
                $now,
                $on->loan->due_at,
                null,
                null,
                $on->loan->card?->library->zone() ?? new DateTimeZone('UTC'),
            ];
        }
        foreach ($holds as $in) {
            if (!$in->isReady()) {
                $items[] = [
                    'hold',
                    $in->hold->title,
                    $in->turn->from ?? $now,
                    $in->turn?->to,
                    $in->turn?->middle,
                    $in->turn?->latest,
                    $in->hold->card->library->zone(),
                ];
            }
        }
        $ends = array_map(fn(array $i): int => $i[3]?->getTimestamp() ?? 0, $items);
        $span = max(21 * 86400, ($ends === [] ? 0 : max($ends)) - $now->getTimestamp());
        $x = fn(DateTimeImmutable $at): float => round(
            self::LEFT + $width * min(1, max(0, ($at->getTimestamp() - $now->getTimestamp()) / $span)),
            1,
        );

        $rows = [];
        foreach ($items as $i => [$kind, $title, $start, $end, $middle, $latest, $zone]) {
            $rows[] = [
                'kind' => $kind,
                'name' => $title->name,
                'title' => $title->id,
                'y' => self::TOP + 8 + $i * self::ROW,
                'from' => $x($start),
                'to' => $end === null ? self::LEFT + $width : $x($end),
                'middle' => $middle === null ? null : $x($middle),
                'start' => $start,
                'end' => $end,
                'latest' => $latest,
                'zone' => $zone,
            ];
        }

        return [
            'rows' => $rows,
            'weeks' => self::grid($span, $now, $x),
            'left' => self::LEFT,
            'width' => self::LEFT + $width + self::RIGHT,
            'height' => self::TOP + 14 + count($rows) * self::ROW,
        ];
    }

    /**
     * Holds that would come while their card is at its limit, with the date until which each can be paused to find
     * room.
     *
     * @param  Collection<int, LoanWithProgress>  $loans
     * @param  Collection<int, HoldWithEstimate>  $holds
     * @return list<array{hold: HoldWithEstimate, until: DateTimeImmutable, limit: int}>
     */
    public function pileUp(Collection $loans, Collection $holds): array
    {
        $found = [];
        foreach ($holds->groupBy(fn(HoldWithEstimate $in): int => $in->hold->card_id) as $cardId => $ofCard) {
            /** @var Card $card */
            $card = $ofCard->firstOrFail()->hold->card;
            $terms = $this->rules->terms($card->library_id, $card->patron_group, Format::Ebook);
            $arrivals = [];
            foreach ($ofCard as $in) {
                if (!$in->isReady() && $in->turn?->middle !== null) {
                    $arrivals[$in->hold->id] = $in->turn->middle;
                }
            }
            $ends = $loans
                ->filter(fn(LoanWithProgress $on): bool => $on->loan->card_id === $cardId)
                ->map(fn(LoanWithProgress $on): DateTimeImmutable => $on->loan->due_at)
                ->values()
                ->all();
            $pauses = Spread::pauses(
                array_values($ends),
                $arrivals,
                $terms->maxLoans,
                $terms->defaultLength,
                $card->library->zone(),
            );
            foreach ($ofCard as $in) {
                if (isset($pauses[$in->hold->id])) {
                    $found[] = ['hold' => $in, 'until' => $pauses[$in->hold->id], 'limit' => $terms->maxLoans];
                }
            }
        }

        return $found;
    }

    /**
     * @param  callable(DateTimeImmutable): float  $x
     * @return list<array{x: float, at: DateTimeImmutable}>
     */
    private static function grid(int $span, DateTimeImmutable $now, callable $x): array
    {
        $step = self::STEPS[0];
        foreach (self::STEPS as $step) {
            if ($span / 86400 / $step <= self::MOST_LINES) {
                break;
            }
        }
        $lines = [];
        for (
            $at = $now->modify("+{$step} days");
            $at->getTimestamp() - $now->getTimestamp() <= $span;
            $at = $at->modify("+{$step} days")
        ) {
            $lines[] = ['x' => $x($at), 'at' => $at];
        }

        return $lines;
    }
}

<?php

declare(strict_types=1);

namespace App\Queries\Lending;

use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Support\Collection;

/** The timeline of due dates and expected holds, laid out for a drawing. */
final class ComingUp
{
    private const LEFT = 190;

    private const WIDTH = 480;

    private const ROW = 27;

    private const TOP = 26;

    /**
     * @param  Collection<int, LoanOnShelf>  $loans
     * @param  Collection<int, HoldInSight>  $holds
     * @return array{rows: list<array{kind: string, name: string, title: int, y: int, x: float, at: DateTimeImmutable|null, zone: DateTimeZone}>, weeks: list<array{x: float, at: DateTimeImmutable}>, left: int, right: int, height: int}
     */
    public static function chart(Collection $loans, Collection $holds, DateTimeImmutable $now): array
    {
        $items = [];
        foreach ($loans as $on) {
            $soon = $on->loan->due_at < $now->modify('+3 days');
            $items[] = [$soon ? 'due_soon' : 'loan', $on->loan->title, $on->loan->due_at, $on->loan->card?->library];
        }
        foreach ($holds as $in) {
            if (! $in->isReady()) {
                $items[] = ['hold', $in->hold->title, $in->latest, $in->hold->card->library];
            }
        }
        $ends = array_filter(array_map(fn (array $i): int => $i[2]?->getTimestamp() ?? 0, $items));
        $span = min(70 * 86400, max(21 * 86400, ($ends === [] ? 0 : max($ends)) - $now->getTimestamp()));
        $step = (int) ceil($span / 86400 / 42) * 7;
        $x = fn (DateTimeImmutable $at): float => round(self::LEFT + self::WIDTH * min(1, max(0, ($at->getTimestamp() - $now->getTimestamp()) / $span)), 1);

        $rows = [];
        foreach ($items as $i => [$kind, $title, $at, $library]) {
            $rows[] = [
                'kind' => $kind, 'name' => $title->name, 'title' => $title->id, 'y' => self::TOP + 8 + $i * self::ROW,
                'x' => $at === null ? self::LEFT + self::WIDTH : $x($at), 'at' => $at, 'zone' => $library?->zone() ?? new DateTimeZone('UTC'),
            ];
        }
        $weeks = [];
        for ($at = $now->modify("+{$step} days"); $at->getTimestamp() - $now->getTimestamp() <= $span; $at = $at->modify("+{$step} days")) {
            $weeks[] = ['x' => $x($at), 'at' => $at];
        }

        return ['rows' => $rows, 'weeks' => $weeks, 'left' => self::LEFT, 'right' => self::LEFT + self::WIDTH, 'height' => self::TOP + 14 + count($rows) * self::ROW];
    }
}

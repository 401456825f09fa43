<?php

declare(strict_types=1);

namespace App\Exchange\LibrarySystem;

use App\Models\Holding;
use App\Models\Library;
use App\Models\SignInWays;
use App\Shared\WorkSlots;
use DateTimeImmutable;
use FigPorch\Core\Exchange\Sip2\ItemAnswer;
use Illuminate\Support\Facades\Cache;

/**
 * Which copies on paper are in, asked of the libraries' own systems. What was said is believed for a minute; a system
 * that says nothing is left in peace as long. Whatever goes wrong there, the answer here is to ask at the library.
 */
final class HoldingsNow
{
    private const KNOWN_SECONDS = 60;

    /** For all systems together: somebody looks at a page meanwhile. */
    private const SECONDS = 2.0;

    /** Of a title, of which a system is asked. */
    private const MOST_NUMBERS = 12;

    /** That ask one system at the same time: each may have to wait for it. */
    private const AT_ONCE = 2;

    public function __construct(private readonly AskSystem $askSystem) {}

    /**
     * @param  list<Holding>  $holdings  with their libraries
     * @return array<int, HoldingNow> by holding, of those that a system can be asked about
     */
    public function of(array $holdings, DateTimeImmutable $now): array
    {
        $byLibrary = [];
        foreach ($holdings as $of) {
            $of->numbers === [] || ($byLibrary[$of->library_id][] = $of);
        }
        $all = [];
        $until = microtime(true) + self::SECONDS;
        foreach ($byLibrary as $of) {
            $all += $this->ofLibrary($of[0]->library, $of, $now, $until);
        }

        return $all;
    }

    /**
     * @param  list<Holding>  $holdings
     * @return array<int, HoldingNow>
     */
    private function ofLibrary(Library $library, array $holdings, DateTimeImmutable $now, float $until): array
    {
        $system = SignInWays::of($library)->librarySystem();
        if ($system === null) {
            return [];
        }
        $numbers = array_values(
            array_unique(array_merge(...array_map(fn(Holding $of): array => $of->numbers, $holdings))),
        );
        $numbers = array_slice($numbers, 0, self::MOST_NUMBERS);
        $key = "copies:{$library->id}:" . hash('sha256', implode("\n", $numbers));
        /** @var array<int|string, ItemAnswer>|null $answers */
        $answers = Cache::get($key);
        if ($answers === null && !Cache::has("copies:{$library->id}:silent")) {
            $slot = WorkSlots::take("copies {$library->id}", self::AT_ONCE, 0);
            if ($slot !== null) {
                $left = $until - microtime(true);
                try {
                    $answers = $this->askSystem->items($system, $numbers, $library->zone(), $now, $left);
                } finally {
                    WorkSlots::free("copies {$library->id}", $slot);
                }
                if ($answers !== []) {
                    Cache::put($key, $answers, self::KNOWN_SECONDS);
                } elseif ($left > self::SECONDS / 2) {
                    // One for which no time was left has not been silent.
                    Cache::put("copies:{$library->id}:silent", true, self::KNOWN_SECONDS);
                }
            }
        }
        $all = [];
        foreach ($holdings as $of) {
            $all[$of->id] = self::standing($of, $answers ?? []);
        }

        return $all;
    }

    /** @param  array<int|string, ItemAnswer>  $answers */
    private static function standing(Holding $holding, array $answers): HoldingNow
    {
        $of = array_filter(
            array_intersect_key($answers, array_flip($holding->numbers)),
            fn(ItemAnswer $is): bool => $is->isIn !== null,
        );
        $due = array_filter(array_map(fn(ItemAnswer $is): ?DateTimeImmutable => $is->dueAt, $of));

        return new HoldingNow(
            in: count(array_filter($of, fn(ItemAnswer $is): bool => $is->isIn === true)),
            known: count($of),
            dueAt: $due === [] ? null : min($due),
        );
    }
}

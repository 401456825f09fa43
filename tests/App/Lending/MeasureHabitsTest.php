<?php

declare(strict_types=1);

namespace Tests\App\Lending;

use App\Lending\Waits\LibraryHabits;
use App\Lending\Waits\MeasureHabits;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\Forecast\GivingUp;
use Illuminate\Support\Facades\DB;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\App\TestCase;

/** Habits, as measured in SQL, against a recount of the same loans and holds in PHP. */
final class MeasureHabitsTest extends TestCase
{
    public function test_who_gives_up_and_what_comes_back_early_agree_with_a_recount(): void
    {
        $random = new Randomizer(new Mt19937(20));
        $now = $this->now();
        $cancelled = $days = array_fill(0, count(GivingUp::FROM), 0.0);
        $early = [];
        $titles = array_map(fn(int $n) => $this->title("Title {$n}"), range(1, 6));
        $licences = array_map(fn($title) => $this->licence($title), $titles);
        for ($n = 0; $n < 400; $n++) {
            $which = $random->getInt(0, 5);
            $placed = $now->subMinutes($random->getInt(60, 500 * 1440));
            $age = $random->getInt(1, 1440) * $random->getInt(1, 150);
            $ends = $placed->addMinutes($age);
            [$state, $ready, $closed] = match (true) {
                // Waits still, whatever was drawn.
                $ends >= $now => ['waiting', null, null],
                $random->getInt(0, 2) === 0 => ['cancelled', null, $ends],
                // Who lets a ready copy go has not given up waiting.
                $random->getInt(0, 3) === 0 => ['cancelled', $ends, $ends->addHours(9)],
                default => ['filled', $ends, $ends->addHours(5)],
            };
            DB::table('holds')->insert([
                'card_id' => $this->card()->id,
                'library_id' => $this->library()->id,
                'title_id' => $titles[$which]->id,
                'state' => $state,
                'placed_at' => $placed,
                'line_at' => $placed,
                'ready_at' => $ready,
                'closed_at' => $closed,
            ]);
            $waited = min($age, $placed->diffInMinutes($now)) / 1440;
            foreach (GivingUp::FROM as $bin => $from) {
                $until = GivingUp::FROM[$bin + 1] ?? INF;
                $days[$bin] += max(0.0, min($waited, $until) - $from);
                $cancelled[$bin] +=
                    $state === 'cancelled' && $ready === null && $waited >= $from && $waited < $until ? 1 : 0;
            }
            $kept = $random->getInt(1, 14 * 24);
            $began = $now->subHours($random->getInt(14 * 24, 700 * 24));
            DB::table('loans')->insert([
                'title_id' => $titles[$which]->id,
                'licence_id' => $licences[$which]->id,
                'length' => '14d',
                'started_at' => $began,
                'due_at' => $began->addDays(14),
                'ended_at' => $began->addHours($kept),
                'end_reason' => 'returned',
            ]);
            $early[$titles[$which]->id][] = $kept < 0.95 * 14 * 24 ? 1 : 0;
        }
        app(MeasureHabits::class)($now);

        $found = json_decode(
            (string) DB::table('lending_habits')
                ->where('library_id', $this->library()->id)
                ->where('format', 'ebook')
                ->value('habits'),
            true,
        );
        foreach ($found['holds']['gave_up'] as $bin => [$gaveUp, $waited]) {
            $this->assertSame((int) $cancelled[$bin], $gaveUp);
            $this->assertEqualsWithDelta($days[$bin], $waited, 0.01);
        }
        foreach ($early as $title => $of) {
            $row = DB::table('title_habits')->where('title_id', $title)->first();
            $this->assertSame([array_sum($of), count($of)], [$row?->early, $row?->loans]);
        }
        $shares = array_map(fn(array $of): float => array_sum($of) / count($of), $early);
        $habits = app(LibraryHabits::class)->library($this->library()->id, Format::Ebook);
        $this->assertEqualsWithDelta(array_sum($shares) / count($shares), $habits->early->share, 0.1);
        $this->assertGreaterThan(0.001, $habits->givingUp->rates()[0]);
    }
}

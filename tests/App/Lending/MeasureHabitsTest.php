<?php

declare(strict_types=1);

namespace Tests\App\Lending;

use App\Lending\Waits\LibraryHabits;
use App\Lending\Waits\MeasureHabits;
use App\Models\Library;
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

    /**
     * What has changed is seen soon: the last 500 loans of a format count, and all of the last 30 days, by when they
     * were due: those that are not yet due are over only where they were short.
     */
    public function test_how_long_loans_are_kept_is_measured_from_the_last(): void
    {
        $random = new Randomizer(new Mt19937(21));
        $now = $this->now();
        [$busy, $quiet] = [$this->library(), $this->library('cinder')];
        $licences = array_map(fn(Library $library): int => $this->licence($this->title('One'), library: $library)->id, [
            $busy,
            $quiet,
        ]);
        $loans = [];
        // Of the busy one 640 in two years, then 560 in its last month; the quiet one lends little.
        foreach ([[0, 640, 31, 700], [0, 560, 0, 29], [1, 60, 0, 700]] as [$where, $count, $least, $most]) {
            for ($n = 0; $n < $count; $n++) {
                $length = [7, 14][$random->getInt(0, 1)];
                $ended = $now->subMinutes($random->getInt($least * 1440, $most * 1440));
                $kept = $random->getInt(1, $length * 1440);
                $due = $ended->subMinutes($kept)->addDays($length);
                $loans[] = [$where, $length, $due, $kept / ($length * 1440)];
                DB::table('loans')->insert([
                    'title_id' => DB::table('licences')->where('id', $licences[$where])->value('title_id'),
                    'licence_id' => $licences[$where],
                    'length' => "{$length}d",
                    'started_at' => $ended->subMinutes($kept),
                    'due_at' => $due,
                    'ended_at' => $ended,
                    'end_reason' => 'returned',
                ]);
            }
        }
        usort($loans, fn(array $a, array $b): int => $b[2] <=> $a[2]);
        foreach ([$now, $now->subDays(31)] as $on) {
            $over = array_values(array_filter($loans, fn(array $of): bool => $of[2] <= $on));
            app(MeasureHabits::class)($on);
            foreach ([$busy->id => [0], $quiet->id => [1], 0 => [0, 1]] as $library => $who) {
                $here = array_values(array_filter($over, fn(array $of): bool => in_array($of[0], $who, true)));
                $counted = array_filter(
                    $here,
                    fn(array $of, int $n): bool => $n < 500 || $of[2] >= $on->subDays(30),
                    ARRAY_FILTER_USE_BOTH,
                );
                $habits = json_decode(
                    (string) DB::table('lending_habits')
                        ->where('format', 'ebook')
                        ->when($library === 0, fn($q) => $q->whereNull('library_id'))
                        ->when($library !== 0, fn($q) => $q->where('library_id', $library))
                        ->value('habits'),
                    true,
                );
                foreach ([7, 14] as $length) {
                    $kept = array_column(array_filter($counted, fn(array $of): bool => $of[1] === $length), 3);
                    sort($kept);
                    $found = $habits['lengths']["{$length}d"];
                    $this->assertSame(count($kept), $found['n'], "{$length} days at {$library}");
                    $this->assertEqualsWithDelta(
                        [$kept[0], $kept[count($kept) - 1]],
                        [$found['kept'][0], $found['kept'][20]],
                        1e-4,
                    );
                }
            }
        }
    }
}

<?php

declare(strict_types=1);

namespace Tests\App\Catalogue;

use App\Catalogue\FrontDoor\LibraryHoldings;
use App\Models\Title;
use FigPorch\Core\Catalogue\Format;
use Illuminate\Support\Facades\DB;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\App\TestCase;

/** What the front door shows of a library's titles. */
final class FrontDoorTest extends TestCase
{
    private const SHOWN = 6;

    /** @return list<int> */
    private function newest(bool $ready = false): array
    {
        return array_column(
            app(LibraryHoldings::class)->newest($this->library()->id, $this->now(), $ready, self::SHOWN)->all(),
            'id',
        );
    }

    private function cameDaysAgo(Title $title, int $days): void
    {
        DB::update("update titles set added_at = added_at - ? * interval '1 day' where id = ?", [$days, $title->id]);
        DB::update("update search_rows set added_at = added_at - ? * interval '1 day' where title_id = ?", [
            $days,
            $title->id,
        ]);
    }

    public function test_the_newest_are_those_that_can_be_read_first_and_every_format_is_counted(): void
    {
        $random = new Randomizer(new Mt19937(8));
        $held = $counts = [];
        for ($n = 0; $n < 30; $n++) {
            $format = Format::cases()[$random->getInt(0, 3)];
            $title = $this->title("Low Water {$n}", $format, onOrder: ($onOrder = $random->getInt(0, 2) === 0));
            $this->cameDaysAgo($title, $days = $random->getInt(0, 5));
            $covered = $random->getInt(0, 1);
            $title->update(['cover_file' => $covered ? str_repeat('a', 64) . '.png' : null]);
            $work = $held === [] || $random->getInt(0, 3) > 0 ? $title->work_id : $held[0][4];
            $title->update(['work_id' => $work]);
            $here = $random->getInt(0, 4) > 0;
            $this->licence($title, library: $here ? null : $this->library('larkspur'));
            if ($here) {
                $held[] = [!$onOrder, (bool) $covered, -$days, -$title->id, $work];
                $counts[$format->value] = ($counts[$format->value] ?? 0) + 1;
            }
        }
        $this->assertEquals($counts, app(LibraryHoldings::class)->counts($this->library()->id, $this->now()));
        foreach ([false, true] as $ready) {
            $of = array_filter($held, fn(array $title): bool => !$ready || $title[0]);
            rsort($of);
            $works = [];
            foreach ($of as $title) {
                $works[$title[4]] ??= -$title[3];
            }
            $this->assertSame(array_slice(array_values($works), 0, self::SHOWN), $this->newest($ready));
        }
    }

    public function test_a_great_order_does_not_push_out_what_can_be_read(): void
    {
        $readable = [];
        foreach (['Heron', 'Anchor', 'Salt'] as $n => $name) {
            $readable[] = $title = $this->title($name);
            $this->licence($title);
            $this->cameDaysAgo($title, 30 + $n);
        }
        for ($n = 0; $n < self::SHOWN * count(Format::cases()) + 5; $n++) {
            $this->licence($this->title("Ordered {$n}", onOrder: true));
        }
        $newest = $this->newest();
        $this->assertCount(self::SHOWN, $newest);
        $this->assertSame(array_column($readable, 'id'), array_slice($newest, 0, 3));
        $this->assertSame(array_column($readable, 'id'), $this->newest(ready: true));
    }

    public function test_those_borrowed_most_stand_in_that_order(): void
    {
        $titles = array_map(fn(int $n): Title => $this->title("Heron {$n}"), range(0, 8));
        foreach ($titles as $n => $title) {
            $this->licence($title);
            DB::update('update search_rows set times_borrowed = ? where title_id = ?', [$n, $title->id]);
        }
        $this->assertSame(
            array_reverse(array_slice(array_column($titles, 'id'), -self::SHOWN)),
            array_column(
                app(LibraryHoldings::class)->mostBorrowed($this->library()->id, $this->now(), self::SHOWN)->all(),
                'id',
            ),
        );
    }
}

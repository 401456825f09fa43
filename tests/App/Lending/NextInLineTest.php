<?php

declare(strict_types=1);

namespace Tests\App\Lending;

use App\Models\Hold;
use App\Models\Library;
use App\Models\Licence;
use App\Models\Title;
use App\Shared\Sql;
use FigPorch\Core\Lending\HoldInLine;
use FigPorch\Core\Lending\LicenceReach;
use FigPorch\Core\Lending\NextInLine;
use Illuminate\Support\Facades\DB;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\App\TestCase;

/** The database chooses whom a freed copy is kept for as the core's rule does, whatever the line looks like. */
final class NextInLineTest extends TestCase
{
    private const LINES = 120;

    public function test_of_any_line_the_same_hold_is_chosen(): void
    {
        $consortium = (int) DB::table('consortia')->insertGetId(['name' => 'Lantern Coast Libraries']);
        $libraries = array_map(fn(string $slug): Library => $this->library($slug, $consortium), [
            'saltmere',
            'larkspur',
        ]);
        // Its own licences bring it a line of its own, which no licence of the consortium serves.
        $libraries[] = $this->library('hollow');
        $random = new Randomizer(new Mt19937(7));
        $chosen = ['own' => 0, 'other' => 0, 'nobody' => 0];
        for ($n = 0; $n < self::LINES; $n++) {
            $title = $this->title("Title {$n}");
            $licence = $this->licence($title, library: $libraries[0], shared: $random->getInt(0, 1) === 1);
            $line = $this->line($title, $libraries, $random);

            $next = NextInLine::choose(
                $line,
                new LicenceReach($libraries[0]->id, $this->isShared($licence), $consortium),
                $this->now(),
            );
            $given = json_decode(
                (string) DB::scalar('select lending_next_in_line(?, ?, ?)', [
                    $licence->id,
                    $title->id,
                    Sql::timestamp($this->now()),
                ]),
            )->next;

            $this->assertSame($next?->id, $given->id ?? null, "line {$n}");
            $chosen[$next === null ? 'nobody' : ($next->libraryId === $libraries[0]->id ? 'own' : 'other')]++;
        }
        $this->assertGreaterThan(3, min($chosen), 'all of it happened');
    }

    public function test_the_licence_s_own_library_comes_before_those_that_have_waited_longer(): void
    {
        $consortium = (int) DB::table('consortia')->insertGetId(['name' => 'Lantern Coast Libraries']);
        [$own, $other] = array_map(fn(string $of): Library => $this->library($of, $consortium), [
            'saltmere',
            'larkspur',
        ]);
        $licence = $this->licence($title = $this->title(), library: $own, shared: true);
        $hold = fn(Library $of, int $minutes): Hold => Hold::query()->create([
            'card_id' => $this->card($of)->id,
            'library_id' => $of->id,
            'title_id' => $title->id,
            'state' => 'waiting',
            'placed_at' => $this->now()->subMinutes($minutes),
            'line_at' => $this->now()->subMinutes($minutes),
        ]);
        $longest = $hold($other, 9);
        $ours = $hold($own, 1);
        $next = fn(): int => json_decode(
            (string) DB::scalar('select lending_next_in_line(?, ?, ?)', [
                $licence->id,
                $title->id,
                Sql::timestamp($this->now()),
            ]),
        )->next->id;
        $this->assertSame($ours->id, $next());
        $ours->delete();
        $this->assertSame($longest->id, $next());
    }

    /**
     * @param  list<Library>  $libraries
     * @return list<HoldInLine> in line order
     */
    private function line(Title $title, array $libraries, Randomizer $random): array
    {
        $line = [];
        for ($n = $random->getInt(0, 5); $n > 0; $n--) {
            $card = $this->card($library = $libraries[[0, 1, 1, 2][$random->getInt(0, 3)]]);
            $standing = $random->getInt(0, 4);
            $card->update([
                'blocked_at' => $standing === 0 ? $this->now() : null,
                'expires_at' => [1 => $this->now(), 2 => $this->now()->addSecond()][$standing] ?? null,
            ]);
            $pause = [null, null, $this->now(), $this->now()->addSecond()][$random->getInt(0, 3)];
            $hold = Hold::query()->create([
                'card_id' => $card->id,
                'library_id' => $card->library_id,
                'title_id' => $title->id,
                'state' => $pause === null ? 'waiting' : 'paused',
                'paused_until' => $pause,
                'placed_at' => $this->now(),
                'line_at' => $this->now()->subMinutes($random->getInt(0, 3)),
            ]);
            $mayBorrow = $standing > 1;
            $line[] = new HoldInLine(
                $hold->id,
                $library->id,
                $hold->line_at,
                $pause,
                cardMayBorrow: $mayBorrow,
                consortiumId: $library->consortium_id,
            );
        }
        usort($line, fn(HoldInLine $a, HoldInLine $b): int => [$a->lineAt, $a->id] <=> [$b->lineAt, $b->id]);

        return $line;
    }

    private function isShared(Licence $licence): bool
    {
        return (bool) DB::table('licences')->where('id', $licence->id)->value('shared');
    }
}

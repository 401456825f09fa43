<?php

declare(strict_types=1);

namespace Tests\App\Catalogue;

use App\Catalogue\Indexes\CountIndexes;
use App\Catalogue\Indexes\IndexKind;
use App\Catalogue\Records\SaveRecord;
use App\Models\Title;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Record;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Tests\App\TestCase;

/** Leafing through people, series, subjects and awards from A to Z. */
final class IndexTest extends TestCase
{
    /**
     * @param  list<array{string, string}>  $people  name and how it sorts
     * @param  list<string>  $subjects
     * @param  list<string>  $awards
     */
    private function record(
        string $name,
        array $people = [],
        ?string $series = null,
        array $subjects = [],
        array $awards = [],
    ): Title {
        return app(SaveRecord::class)(
            new Record(
                key: "t:{$name}",
                format: Format::Ebook,
                name: $name,
                contributors: array_map(
                    fn(array $of): array => ['name' => $of[0], 'sort' => $of[1], 'role' => 'author'],
                    $people,
                ),
                extent: 10,
                series: $series,
                subjects: $subjects,
                awards: $awards,
            ),
            $this->now(),
        );
    }

    /** @return array<string, int> titles by name, as the page shows them */
    private function shown(string $address): array
    {
        $page = $this->get("/catalogue/{$address}")
            ->assertOk()
            ->viewData('page');

        return $page->pluck('titles', 'name')->all();
    }

    public function test_everything_that_a_library_has_stands_in_its_index_and_nothing_else(): void
    {
        $ida = ['Ida Marsh', 'Marsh, Ida'];
        $inigo = ['Íñigo Osei', 'Osei, Íñigo'];
        $this->licence(
            $this->record('Tide', [$ida, $inigo], 'The Far Skerries', ['Tides', 'Ämter'], ['Lantern Prize']),
        );
        $this->licence($this->record('Marsh', [$ida], 'The Far Skerries', ['Tides']));
        $elsewhere = $this->library('larkspur');
        $this->licence($this->record('Elsewhere', [['Ada Oro', 'Oro, Ada']], null, ['Gold']), library: $elsewhere);
        $this->record('Nobody has it', [['Wren', 'Wren']]);
        $this->licence($this->record('東の海', [['東山', '東山']]));
        Artisan::call('search:index lending');
        app(CountIndexes::class)();

        $this->assertSame(['Ida Marsh' => 2, 'Íñigo Osei' => 1, '東山' => 1], $this->shown('people?library=saltmere'));
        $this->assertSame(['Íñigo Osei' => 1], $this->shown('people?library=saltmere&letter=o'));
        $this->assertSame(['東山' => 1], $this->shown('people?library=saltmere&letter=%23'));
        // With the letters that it has: a letter that it has not is all.
        $this->assertCount(3, $this->shown('people?library=saltmere&letter=Q'));
        $this->assertSame(['The Far Skerries' => 2], $this->shown('series?library=saltmere&letter=F'));
        $this->assertSame(['Ämter' => 1, 'Tides' => 2], $this->shown('subjects?library=saltmere'));
        $this->assertSame(['Tides' => 2, 'Ämter' => 1], $this->shown('subjects?library=saltmere&order=titles'));
        $this->assertSame(['Ämter' => 1], $this->shown('subjects?library=saltmere&letter=A'));
        $this->assertSame(['Lantern Prize' => 1], $this->shown('awards?library=saltmere'));
        $this->assertSame(['Gold' => 1], $this->shown('subjects?library=larkspur'));
        $this->get('/catalogue/awards?library=larkspur')->assertOk()->assertSee('There is nothing here yet.');
        $this->get('/catalogue/shoes?library=saltmere')->assertNotFound();
        // Each leads to as many titles as it says.
        foreach (IndexKind::cases() as $kind) {
            foreach ($this->get("/catalogue/{$kind->value}?library=saltmere")->viewData('page') as $entry) {
                $search = http_build_query(['library' => 'saltmere', ...$kind->search($entry->entry_id, $entry->name)]);
                $found = $this->get("/catalogue?{$search}")
                    ->assertOk()
                    ->viewData('page');
                $this->assertSame($entry->titles, $found->total(), $entry->name);
            }
        }
    }

    public function test_a_long_index_has_pages_and_is_counted_anew(): void
    {
        DB::table('subjects')->insert(
            array_map(fn(int $n): array => ['name' => sprintf('Subject %03d', $n)], range(1, 130)),
        );
        $this->licence(
            $this->record(
                'Tide',
                subjects: array_map(fn(int $n): string => sprintf('Subject %03d', $n), range(1, 100)),
            ),
        );
        Artisan::call('search:index lending');
        app(CountIndexes::class)();
        $this->assertCount(60, $this->shown('subjects?library=saltmere'));
        $this->assertCount(40, $this->shown('subjects?library=saltmere&page=2'));
        $this->assertCount(40, $this->shown('subjects?library=saltmere&page=99&letter=S'));
        DB::table('licences')->delete();
        Artisan::call('search:index lending');
        app(CountIndexes::class)();
        $this->assertSame([], $this->shown('subjects?library=saltmere'));
    }
}

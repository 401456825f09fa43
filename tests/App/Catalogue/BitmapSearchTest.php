<?php

declare(strict_types=1);

namespace Tests\App\Catalogue;

use App\Catalogue\BitmapIndex\IndexBitmaps;
use App\Catalogue\BitmapIndex\IndexPart;
use App\Catalogue\BitmapIndex\IndexSnapshot;
use App\Catalogue\BitmapIndex\IndexWords;
use App\Catalogue\BitmapIndex\LocalIndexCache;
use App\Catalogue\BitmapSearch\BitmapEngine;
use App\Catalogue\BitmapSearch\BitmapFacetCounter;
use App\Catalogue\BitmapSearch\BitmapSearch;
use App\Catalogue\Filters\Filters;
use App\Catalogue\Filters\SubjectFilter;
use App\Catalogue\Records\SaveRecord;
use App\Catalogue\Search\Facets;
use App\Catalogue\Search\FacetSql;
use App\Catalogue\Search\FewFound;
use App\Catalogue\Search\FoundValues;
use App\Catalogue\Search\RefreshAvailability;
use App\Catalogue\Search\SearchRequest;
use App\Catalogue\Search\SqlEngine;
use App\Catalogue\Suggestions\IndexPrefixes;
use App\Lending\Borrowing\BorrowTitle;
use App\Lending\LoanRules\CardEligibility;
use App\Models\Holding;
use App\Models\Library;
use App\Models\Title;
use FigPorch\Core\Catalogue\AgeRange;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Lending\LicenceModel;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Pagination\Paginator;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\App\TestCase;

/** By sets a search finds and counts what it does title by title, whatever has changed since they were gathered. */
final class BitmapSearchTest extends TestCase
{
    use SearchesAtSize;

    private const TITLES = 400;

    private Randomizer $random;

    /** @var list<Library> */
    private array $libraries;

    /** @var array<mixed> numbers of those that have titles */
    private array $series;

    /** @var array<string, array<mixed>> by role, some of each: numbers, those of most titles first */
    private array $people;

    /** @var array<mixed> names, some of the commonest and of the rarest */
    private array $publishers;

    protected function setUp(): void
    {
        parent::setUp();
        $this->random = new Randomizer(new Mt19937(5));
        $consortium = DB::table('consortia')->insertGetId(['name' => 'Lantern Coast Libraries']);
        $this->libraries = array_map(fn(string $slug): Library => $this->library($slug, $consortium), [
            'saltmere',
            'hollow',
            'larkspur',
        ]);
        $this->libraries[1]->update(['pay_per_loan_budget_cents' => 500]);
        Artisan::call('demo:grow --titles=' . self::TITLES);
        app(RefreshAvailability::class)();
        $this->series = DB::table('search_rows')
            ->whereNotNull('series_id')
            ->distinct()
            ->orderBy('series_id')
            ->pluck('series_id')
            ->all();
        $publishers = DB::table('search_rows')
            ->whereNotNull('publisher')
            ->groupBy('publisher')
            ->orderByRaw('count(*) desc, publisher')
            ->pluck('publisher')
            ->all();
        foreach (['author', 'narrator'] as $role) {
            $this->people[$role] = DB::table('contributor_title')
                ->where('role', $role)
                ->groupBy('contributor_id')
                ->orderByRaw('count(*) desc, contributor_id')
                ->limit(8)
                ->pluck('contributor_id')
                ->all();
        }
        $this->publishers = [...array_slice($publishers, 0, 4), ...array_slice($publishers, -2)];
    }

    public function test_sets_find_and_count_what_looking_at_each_title_does(): void
    {
        $words = array_column(
            DB::select(
                "select word from ts_stat('select exact from search_rows') where length(word) > 2
                    order by ndoc desc, word limit 60",
            ),
            'word',
        );
        $subjects = DB::table('subjects')->pluck('id')->all();
        for ($n = 0; $n < 30; $n++) {
            $this->standElsewhere();
        }
        $gather = new IndexBitmaps(new IndexWords(10), new IndexPrefixes(), paired: 1);
        $this->gather($gather);
        $found = 0;
        foreach (
            [
                'stem' => 50,
                'exact' => 50,
                'name' => 5,
                'pair' => 200,
                'popular' => 5,
                'newest' => 5,
                'rest3' => 100,
                'rest4' => 100,
                'name3' => 20,
                'name4' => 20,
            ]
            as $kind => $fewest
        ) {
            $this->assertGreaterThanOrEqual(
                $fewest,
                DB::table('search_sets')
                    ->where('name', 'like', "{$kind}:%")
                    ->count(),
                $kind,
            );
        }
        $this->assertGreaterThan(500, DB::table('search_rare_words')->count());
        for ($round = 0; $round < 5; $round++) {
            for ($n = 0; $n < 20; $n++) {
                $search = $this->search($words, $subjects);
                [$sets, $ids] = $this->answer($search, ranked: $n % 2 === 0 ? 2000 : 3, few: $n % 3 === 0 ? 3000 : 0);
                DB::beginTransaction();
                DB::table('search_gatherings')->delete();
                // Asked of the database count by count and page by page, and read whole where that is little.
                [$plain, $plainIds] = $this->answer($search, ranked: FewFound::MOST - 1);
                [$whole, $wholeIds] = $this->answer($search, ranked: 2000);
                DB::rollBack();
                $said = json_encode($search->with([])) . ", round {$round}";
                $this->assertSame(self::comparable($plain), self::comparable($sets), $said);
                $this->assertSame(self::comparable($plain), self::comparable($whole), $said);
                if ($plain->total < FewFound::MOST) {
                    $this->assertSame($plainIds, $wholeIds, $said);
                }
                sort($ids);
                sort($plainIds);
                $this->assertSame($plainIds, $ids, $said);
                $this->assertAllValues($search, $ids, $plain);
                $found += $plain->total;
            }
            $this->change();
            $round > 1 && $gather($round === 2 ? IndexPart::Lending : IndexPart::Records, $this->now());
        }
        $this->assertGreaterThan(1500, $found, 'most searches find something');
        $this->assertGreaterThan(
            20,
            DB::table('search_rows')->where('ages', '<>', '{}')->count(),
            'there is something to read for each age',
        );
    }

    /**
     * The page of all values of a list says of each what looking at each title found says.
     *
     * @param  array<int, int>  $ids  what the search finds
     */
    private function assertAllValues(SearchRequest $search, array $ids, Facets $facets): void
    {
        $all = [];
        foreach (
            DB::table('search_rows')
                ->whereIn('title_id', $ids)
                ->get(['subjects', 'awards', 'series_id', 'publisher', 'ages'])
            as $row
        ) {
            foreach (['subjects', 'awards', 'ages'] as $of) {
                foreach (DB::select('select unnest(?::text[]) v', [$row->{$of}]) as $one) {
                    $all[$of][$one->v] = ($all[$of][$one->v] ?? 0) + 1;
                }
            }
            foreach (['series_id' => 'series', 'publisher' => 'publisher'] as $column => $of) {
                $row->{$column} === null || ($all[$of][$row->{$column}] = ($all[$of][$row->{$column}] ?? 0) + 1);
            }
        }
        foreach (DB::table('contributor_title')->whereIn('title_id', $ids)->get() as $row) {
            $all["{$row->role}s"][$row->contributor_id] = ($all["{$row->role}s"][$row->contributor_id] ?? 0) + 1;
        }
        $engine = new BitmapEngine(
            new BitmapSearch(),
            new SqlEngine(new FacetSql()),
            new FacetSql(),
            new BitmapFacetCounter(),
        );
        $list = $search->filters->get(Filters::lists()[$this->random->getInt(0, count(Filters::lists()) - 1)]);
        // Each value has a set, or those of the titles are looked at by number, or as bits.
        foreach ([SubjectFilter::class, $list::class] as $filter) {
            $of = $search->filters->get($filter);
            $expected = array_diff_key($all[$filter::name()] ?? [], array_flip($of->chosen));
            foreach ([0, 20_000] as $byNumber) {
                $page = (new FoundValues($engine, $byNumber))->page($search, $of, '', 'titles', $this->now());
                $said = array_column($page->items(), 'titles', 'value');
                $this->assertSame(count($expected), $page->total());
                $this->assertEquals(count($expected) > 120 ? array_intersect_key($expected, $said) : $expected, $said);
                $counts = array_values($said);
                rsort($counts);
                $this->assertSame($counts, array_values($said));
            }
        }
        // What is offered beside the results is the first of them.
        foreach ($list::OFFERED === 0 || !$list->takesMore() ? [] : $list->offered($facets) as $value => $count) {
            $this->assertSame($count, $expected[$value]);
        }
    }

    public function test_by_sets_too_a_word_has_the_forms_of_the_record_s_language_alone(): void
    {
        foreach (
            [['Car', 'en'], ['Cares', 'en'], ['Cares', 'es'], ['Car', 'es'], ['Car', null]]
            as [$name, $language]
        ) {
            for ($n = 0; $n < 12; $n++) {
                $this->licence(
                    app(SaveRecord::class)(
                        new Record(
                            key: "test:{$name}:{$language}:{$n}",
                            format: Format::Ebook,
                            name: $name,
                            contributors: [],
                            extent: 1,
                            language: $language,
                        ),
                        $this->now(),
                    ),
                    library: $this->libraries[0],
                );
            }
        }
        $this->gather(new IndexBitmaps(new IndexWords(10), new IndexPrefixes(), paired: 1));
        $this->assertTrue((IndexSnapshot::at($this->now())->gathering ?? null)?->has('stem:car'));
        // “Care” has “car” for its stem in Spanish, and “cares” there too; and in a record of no language
        // any form will do.
        foreach (
            ['care' => 48, 'car' => 48, 'cares' => 48, 'care -car' => 12, 'car title:cares' => 36]
            as $words => $count
        ) {
            $search = fn(): SearchRequest => SearchRequest::read(
                $this->libraries[0]->id,
                ['q' => $words],
                new CardEligibility(),
            );
            [$facets, $ids] = $this->answer($search(), 3);
            DB::beginTransaction();
            DB::table('search_gatherings')->delete();
            $plain = $this->answer($search(), 2000)[1];
            DB::rollBack();
            $this->assertSame(
                [$count, []],
                [$facets->total, [...array_diff($ids, $plain), ...array_diff($plain, $ids)]],
                $words,
            );
        }
    }

    public function test_what_every_value_has_a_set_of_is_not_counted_title_by_title(): void
    {
        $this->gather(new IndexBitmaps(new IndexWords(10), new IndexPrefixes(), paired: 1));
        $asked = [];
        DB::listen(function (QueryExecuted $query) use (&$asked): void {
            $asked[] = $query->sql;
        });
        $search = SearchRequest::read($this->libraries[0]->id, [], new CardEligibility());
        $facets = $this->searching(3, 3)->facets($search, $this->now());
        $this->assertNotSame([], $facets->of('ages'));
        $this->assertNotSame([], $asked);
        $this->assertStringNotContainsString('ages', implode("\n", $asked));
    }

    public function test_what_is_read_whole_is_of_its_moment_and_no_more_than_a_few(): void
    {
        DB::update(
            "update search_rows set held = ?, ready = '{}', paid = '{}', sure_from = '-infinity', sure_until = 'infinity'",
            ["{{$this->libraries[0]->id}}"],
        );
        /** @var list<int> $ids */
        $ids = DB::table('search_rows')->orderBy('title_id')->pluck('title_id')->all();
        $this->assertGreaterThan(FewFound::MOST, count($ids));
        $leave = fn(int $count) => DB::table('search_rows')
            ->whereIn('title_id', array_slice($ids, $count))
            ->update(['held' => '{}']);
        foreach ([FewFound::MOST + 2, FewFound::MOST + 1, FewFound::MOST, 5] as $count) {
            $leave($count);
            $titles = $this->searching(2000, 2000);
            $search = SearchRequest::read(
                $this->libraries[0]->id,
                ['q' => 'lang:en OR NOT lang:en', 'order' => 'title'],
                new CardEligibility(),
            );
            $this->assertSame($count, $titles->facets($search, $now = $this->now())->total);
            $this->assertCount($count, $titles->page($search, $count, $now, self::TITLES)->items());
            $this->assertSame($count, $titles->total($search, $now));
            // A moment later it is asked anew.
            $leave($count - 1);
            $this->assertSame($count - 1, $titles->total($search, $this->now()));
            $this->assertCount($count - 1, $titles->page($search, $count, $this->now(), self::TITLES)->items());
            $this->assertNotContains(
                $ids[$count - 1],
                $titles->among($search, $count, array_slice($ids, 0, $count), $this->now()),
            );
        }
    }

    public function test_publishers_without_a_set_of_their_own_are_counted(): void
    {
        Artisan::call('demo:grow --titles=3700');
        // Two titles of each of as many publishers as have sets, and of one more; the library has one of each pair.
        DB::update(
            "update search_rows s set ready = '{}', paid = '{}', sure_from = '-infinity', sure_until = 'infinity',
                held = case when n <= 2000 or n > 4000 then ?::bigint[] else '{}' end,
                publisher = case when n <= 4000 then 'House ' || lpad((n % 2000)::text, 4, '0')
                    when n <= 4002 then 'Zenith' end
                from (select title_id, row_number() over (order by title_id) n from search_rows) r
                where r.title_id = s.title_id",
            ["{{$this->libraries[0]->id}}"],
        );
        $this->gather(app(IndexBitmaps::class));
        $all = SearchRequest::read(
            $this->libraries[0]->id,
            ['q' => 'lang:en OR NOT lang:en', 'order' => 'title'],
            new CardEligibility(),
        );

        foreach ([0, 3000] as $few) {
            $publishers = $this->searching(3, 3, $few)->facets($all, $this->now())->of('publisher');

            $this->assertSame('Zenith', array_key_first($publishers));
            $this->assertSame([2, 1, 1, 1, 1, 1, 1, 1], array_values($publishers));
        }
    }

    public function test_beyond_one_s_libraries_is_what_others_have_at_this_moment(): void
    {
        [$bought, $lost] = [$this->title('Zennorwick bought'), $this->title('Zennorwick lost')];
        $licence = $this->licence($lost, library: $this->libraries[2]);
        $this->gather(app(IndexBitmaps::class));
        $beyond = SearchRequest::read(
            $this->libraries[0]->id,
            ['q' => 'zennorwick', 'reach' => 'beyond'],
            new CardEligibility(),
        );
        $this->assertSame([$lost->id], $this->answer($beyond, 3)[1]);
        $this->licence($bought, library: $this->libraries[2]);
        $licence->update(['ends_at' => $this->now()->modify('-1 minute')]);
        $this->assertSame(
            2,
            DB::table('search_index_changes')
                ->whereIn('title_id', [$bought->id, $lost->id])
                ->distinct()
                ->count('title_id'),
        );
        [$facets, $ids] = $this->answer(
            SearchRequest::read(
                $this->libraries[0]->id,
                ['q' => 'zennorwick', 'reach' => 'beyond'],
                new CardEligibility(),
            ),
            3,
        );
        $this->assertSame([$bought->id], $ids);
        $this->assertSame(1, $facets->total);
        // What one's own library has is beyond it no more.
        $this->licence($bought, library: $this->libraries[0]);
        $this->assertSame([], $this->answer($beyond, 3)[1]);
    }

    public function test_pages_follow_one_another_without_loss_in_any_order(): void
    {
        $this->gather(app(IndexBitmaps::class));
        $this->change();
        config(['figporch.page_size' => 50]);
        $word = DB::selectOne(
            "select word from ts_stat('select exact from search_rows') where length(word) > 2
                order by ndoc desc, word limit 1",
        )->word;
        foreach (['most_borrowed', 'newest', 'title', 'soonest', 'relevance'] as $order) {
            $orders = [[], []];
            foreach ([$this->searching(3, 10), $this->searching(3, 100_000)] as $k => $titles) {
                $search = SearchRequest::read(
                    $this->libraries[0]->id,
                    ['order' => $order, 'q' => $order === 'relevance' ? $word : ''],
                    new CardEligibility(),
                );
                $total = $titles->total($search, $this->now());
                for ($page = 1; $page <= ceil($total / 50); $page++) {
                    Paginator::currentPageResolver(fn(): int => $page);
                    array_push(
                        $orders[$k],
                        ...array_map(
                            fn(Title $title): int => $title->id,
                            $titles->page($search, $total, $this->now())->items(),
                        ),
                    );
                }
                Paginator::currentPageResolver(fn(): int => 1);
                $this->assertCount($total, array_unique($orders[$k]), $order);
                // Some of them, asked for by themselves, stand in the same order; what is not found is left out.
                $some = array_values(array_filter($orders[$k], fn(int $id): bool => $id % 7 < 3));
                $among = array_diff(range(1, self::TITLES * 2), array_diff($orders[$k], $some));
                shuffle($among);
                $this->assertSame($some, $titles->among($search, $total, $among, $this->now()), $order);
            }
            $this->assertSame($orders[1], $orders[0], $order);
            $plain = (new SqlEngine(new FacetSql(), 3))->titles($search, $total, $total, 0, $this->now());
            $this->assertSame(array_column($plain, 'id'), $orders[0], "{$order}, by SQL");
        }
    }

    public function test_another_machine_gets_the_sets_from_the_database(): void
    {
        $this->gather(new IndexBitmaps(new IndexWords(10), new IndexPrefixes(), paired: 1));
        $search = SearchRequest::read(
            $this->libraries[0]->id,
            ['q' => 'the OR "' . $this->inARow(2) . '"'],
            new CardEligibility(),
        );
        [$here, $ids] = $this->answer($search, 3);
        $this->rename();
        $this->assertDirectoryDoesNotExist(LocalIndexCache::folder($this->key('records')));
        [$there, $idsThere] = $this->answer($search, 3);
        $this->assertDirectoryExists(LocalIndexCache::folder($this->key('records')));
        $this->assertGreaterThan(20, $here->total);
        $this->assertEquals([$here, $ids], [$there, $idsThere]);

        // A copy that lost its end, on a full disk say, or that an older version of the application made, is made anew.
        $whole = LocalIndexCache::folder($this->key('records'));
        $damages = [
            fn(string $copy) => $this->cut("{$copy}/sets"),
            fn(string $copy) => $this->cut("{$copy}/titles"),
            fn(string $copy) => $this->cut("{$copy}/series"),
            fn(string $copy) => file_put_contents("{$copy}/series-names", ''),
            fn(string $copy) => file_put_contents("{$copy}/index.php", '<?php return [[], [], [], 1];'),
        ];
        foreach ($damages as $damage) {
            $this->rename();
            File::copyDirectory($whole, $damaged = LocalIndexCache::folder($this->key('records')));
            $damage($damaged);
            $this->assertEquals([$here, $ids], $this->answer($search, 3, few: 3000));
            foreach (['sets', 'titles', 'series', 'series-names', 'index.php', 'shared'] as $file) {
                $this->assertFileEquals("{$whole}/{$file}", "{$damaged}/{$file}");
            }
        }
        $this->assertGreaterThan(1000, filesize("{$whole}/shared"));
        $this->cut("{$damaged}/shared");
        $this->assertEquals([$here, $ids], $this->answer($search, 3));

        // Nobody who waits for a page waits for a copy: it is made afterwards.
        $this->rename();
        (function (): void {
            $this->isRunningInConsole = false;
        })->call($this->app);
        $this->assertNull(IndexSnapshot::at($this->now()));
        $this->assertDirectoryDoesNotExist(LocalIndexCache::folder($this->key('records')));
        $this->get('/catalogue?library=saltmere')->assertOk();
        $this->assertNotNull(IndexSnapshot::at($this->now()));
    }

    public function test_nothing_is_gathered_before_it_is_worth_it_nor_again_before_much_has_changed(): void
    {
        $this->assertFalse(
            app(IndexBitmaps::class)->isDue(IndexPart::Records, $this->now()),
            'a small catalogue needs no sets',
        );
        $gather = new IndexBitmaps(new IndexWords(), new IndexPrefixes(), fewest: 100);
        $due = fn(): array => array_map(
            fn(IndexPart $what): bool => $gather->isDue($what, $this->now()),
            IndexPart::cases(),
        );
        $this->assertSame([true, true], $due());
        $this->assertSame(0, DB::table('search_index_changes')->count());
        $this->assertGreaterThan(50, $gather(IndexPart::Records, $this->now()));
        $this->assertSame([false, true], $due());
        $this->assertNull(IndexSnapshot::at($this->now()), 'the one is nothing without the other');
        $gather(IndexPart::Lending, $this->now());
        $this->travel(2)->days();
        $this->assertSame([false, false], $due(), 'nothing has changed');
        $this->licence(Title::query()->firstOrFail());
        $this->assertSame([false, true], $due(), 'what can be lent has changed');
        $this->licence($this->title());
        $this->assertSame([true, true], $due(), 'a day later it is worth it for a few');
        $this->assertSame(0, Artisan::call('search:index lending'));
        $this->assertSame([true, false], $due());
        $this->assertSame(0, Artisan::call('search:index'));
        $this->assertStringContainsString('sets of records gathered', Artisan::output());
        $this->assertSame(
            [0, 4],
            [DB::table('search_index_changes')->count(), DB::table('search_gatherings')->count()],
            'older ones go',
        );
        DB::table('search_prefixes')->delete();
        $this->assertSame(0, Artisan::call('search:index --due'));
        $this->assertStringContainsString(
            DB::table('search_prefixes')->count() . ' beginnings of words gathered',
            Artisan::output(),
        );
        $this->assertSame(2, Artisan::call('search:index everything'));
        $this->assertStringContainsString('It takes records or lending', Artisan::output());
    }

    public function test_what_changes_while_the_first_gathering_reads_is_noted_and_one_broken_off_is_none(): void
    {
        $gather = new IndexBitmaps(new IndexWords(), new IndexPrefixes(), fewest: 100);
        $gather->begin(IndexPart::Records, (string) Str::uuid());
        $gather->begin(IndexPart::Lending, (string) Str::uuid());
        $this->licence($this->title('Come between'), library: $this->libraries[0]);
        $this->assertSame(
            ['lending', 'records'],
            DB::table('search_index_changes')->distinct()->orderBy('of')->pluck('of')->all(),
        );
        $this->assertNull(IndexSnapshot::at($this->now()));
        $this->assertTrue($gather->isDue(IndexPart::Records, $this->now()));
        $this->gather($gather);
        $this->gather($gather);
        $this->assertSame(
            [4, 0],
            [
                DB::table('search_gatherings')->count(),
                DB::table('search_gatherings')->whereNull('gathered_at')->count(),
            ],
        );
    }

    private function gather(IndexBitmaps $gather): void
    {
        foreach (IndexPart::cases() as $what) {
            $gather($what, $this->now());
        }
    }

    /** As if another machine had gathered them. */
    private function rename(): void
    {
        DB::update('update search_gatherings set key = gen_random_uuid()');
    }

    private function key(string $of): string
    {
        return DB::table('search_gatherings')->where('of', $of)->value('key');
    }

    private function cut(string $path): void
    {
        $file = fopen($path, 'r+');
        $this->assertTrue($file !== false && ftruncate($file, 1000));
    }

    /**
     * @param  list<string>  $words
     * @param  array<mixed>  $subjects  numbers
     */
    private function search(array $words, array $subjects): SearchRequest
    {
        $one = fn(array $of): string => (string) $of[$this->random->getInt(0, count($of) - 1)];
        $some = fn(array $of): string => implode(
            ',',
            array_map(fn(): string => $one($of), range(1, $this->random->getInt(1, 3))),
        );
        $subjectNames = DB::table('subjects')->orderBy('id')->pluck('name')->all();
        $sometimes = fn(callable $value): string => $this->random->getInt(0, 3) === 0 ? $value() : '';
        $asked = array_filter(
            [
                'q' => match ($this->random->getInt(0, 13)) {
                    10, 11 => '"' . $this->inARow(2) . '"',
                    12 => '"' . $this->inARow(3) . '" OR "' . $this->inARow(2) . '"',
                    13 => '"' . $this->inARow(2) . " {$one($words)}\"",
                    0, 1 => '',
                    2 => 'subject:' . strtolower(Str::before($one($subjectNames), ' ')),
                    3 => "{$one($words)} OR {$one($words)}",
                    4 => "{$one($words)} -{$one($words)}",
                    5 => "\"{$one($words)}\"",
                    6 => "({$one($words)} OR NOT {$one($words)}) year:1990-2015",
                    7 => substr($one($words), 0, $this->random->getInt(1, 6)) . '* lang:en',
                    8 => "title:{$one($words)} OR author:{$one($words)}",
                    default => $one($words),
                },
                'format' => $sometimes(fn(): string => $some(array_column(Format::cases(), 'value'))),
                'audience' => $sometimes(fn(): string => $some(['adult', 'teen', 'child'])),
                'language' => $sometimes(fn(): string => $some(['en', 'es', 'xx'])),
                'year' => $sometimes(fn(): string => $one(['1990-2010', '2005-', '-2020'])),
                'level' => $sometimes(fn(): string => $one(['2-6', '5-'])),
                'subjects' => $sometimes(fn(): string => $one($subjects)),
                'series' => $this->random->getInt(0, 9) === 0 ? (string) $one($this->series) : '',
                'publisher' => $this->random->getInt(0, 6) === 0 ? $one($this->publishers) : '',
                'awards' => $this->random->getInt(0, 9) === 0 ? 'Prize ' . $this->random->getInt(1, 29) : '',
                'ages' => $this->random->getInt(0, 6) === 0 ? $one(AgeRange::BANDS) : '',
                'authors' => $this->random->getInt(0, 9) === 0 ? $one($this->people['author']) : '',
                'narrators' => $this->random->getInt(0, 9) === 0 ? $one($this->people['narrator']) : '',
                'ready' => $sometimes(fn(): string => '1'),
                'here' => $sometimes(fn(): string => '1'),
                'always' => $this->random->getInt(0, 9) === 0 ? '1' : '',
                'reach' => $one(['', '', 'cards', 'beyond']),
                'order' => $one(['', 'title', 'newest', 'most_borrowed']),
            ],
            fn(string $value): bool => $value !== '',
        );
        $teen = new CardEligibility(['ebook:child', 'ebook:teen', 'audiobook:child', 'audiobook:teen', 'video:child']);
        $who = [$teen, new CardEligibility(), (new CardEligibility())->ofLent()];

        return SearchRequest::read($this->libraries[0]->id, $asked, $who[$this->random->getInt(0, 2)], [
            $this->libraries[1]->id => new CardEligibility(),
        ]);
    }

    /** Words of some title's description, in a row. */
    private function inARow(int $count): string
    {
        $words = explode(' ', (string) DB::table('titles')->where('id', $this->grown())->value('description'));

        return implode(' ', array_slice($words, $this->random->getInt(0, count($words) - $count), $count));
    }

    /** @return array{Facets, array<int, int>} */
    private function answer(SearchRequest $search, int $ranked, int $few = 0): array
    {
        $inSets = new BitmapSearch();
        $this->assertSame(DB::table('search_gatherings')->exists(), $inSets->find($search, $this->now()) !== null);
        $titles = $this->searching($ranked, $ranked, $few, $inSets);
        $facets = $titles->facets($search, $now = $this->now());

        $ids = array_map(
            fn(Title $title): int => $title->id,
            $titles->page($search, $facets->total, $now, self::TITLES * 2)->items(),
        );
        $ready = $titles->total($search->changed(['ready' => '1']), $now);
        $glance = $titles->glance($search, 7, $now);
        $this->assertSame([count($ids), $ready], [$glance->titles, $glance->ready]);
        if ($search->order !== 'relevance') {
            $this->assertSame(array_slice($ids, 0, 7), $glance->first);
        }
        $this->assertSame(array_slice($ids, 0, 7), array_column($titles->first($search, 7, $now), 'id'));
        $formats = $titles->formats($search, $now);
        $this->assertSame(count($ids), array_sum($formats));
        $this->assertEquals(array_intersect_key($facets->of('format'), $formats), $formats);

        return [$facets, $ids];
    }

    /** @return array<string, mixed> without an order of values that means nothing */
    private static function comparable(Facets $facets): array
    {
        $all = ['names' => [], 'counts' => $facets->counts, 'libraries' => $facets->libraries];
        $all['total'] = $facets->total;
        $all['without'] = array_map($facets->without(...), Filters::names());
        foreach (Filters::names() as $filter) {
            $names = array_intersect_key($facets->names[$filter] ?? [], $facets->of($filter));
            ksort($names);
            $all['names'][$filter] = $names;
        }

        return $all;
    }

    /** The number of some title of those that were there from the beginning. */
    private function grown(): int
    {
        return (int) DB::table('titles')
            ->where('record_key', 'not like', 'test:%')
            ->orderBy('id')
            ->offset($this->random->getInt(0, self::TITLES - 1))
            ->value('id');
    }

    /** Something on paper, or a website, of one of the libraries. */
    private function standElsewhere(): void
    {
        $format = [Format::Paper, Format::Website][$this->random->getInt(0, 1)];
        $audience = [Audience::Adult, Audience::Child][$this->random->getInt(0, 1)];
        $title = $this->title("A harbour {$format->value}", $format, $audience);
        $this->standsElsewhere($title, $this->libraries[$this->random->getInt(0, 2)]);
    }

    /** Borrowed, bought, changed, and time goes by. */
    private function change(): void
    {
        $card = $this->card($this->libraries[0]);
        for ($n = 0; $n < 6; $n++) {
            app(BorrowTitle::class)($card->id, $this->grown(), null, $this->now());
        }
        $this->licence(
            Title::query()->findOrFail($this->grown()),
            LicenceModel::PayPerLoan,
            library: $this->libraries[1],
            price: 300,
        );
        $this->licence(Title::query()->findOrFail($this->grown()), ends: '+3 days', library: $this->libraries[0]);
        $this->licence($this->title('A harbour across the water'), library: $this->libraries[2]);
        DB::update(
            "update licences set ends_at = now() - interval '1 minute' where id in (select id from licences
                where library_id <> ? order by md5(id::text || ?) limit 5)",
            [$this->libraries[0]->id, (string) $this->random->getInt(1, 999)],
        );
        DB::update(
            "update search_rows set format = 'video', year = 1999, publisher = 'House0', series_id = ? where title_id = ?",
            [$this->series[$this->random->getInt(0, count($this->series) - 1)], $this->grown()],
        );
        DB::update('update search_rows set age_from = ?, age_to = 14 where title_id = ?', [
            $this->random->getInt(3, 13),
            $this->grown(),
        ]);
        DB::table('contributor_title')->insertOrIgnore([
            'title_id' => $this->grown(),
            'contributor_id' => $this->people['author'][0],
            'role' => 'author',
            'position' => 9,
        ]);
        $this->licence($this->title('A harbour of one year'), LicenceModel::Simultaneous, library: $this->libraries[0]);
        $this->standElsewhere();
        Holding::query()->orderBy('id')->offset($this->random->getInt(0, 9))->first()?->delete();
        $this->travel(2)->days();
    }
}

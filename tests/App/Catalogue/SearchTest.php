<?php

declare(strict_types=1);

namespace Tests\App\Catalogue;

use App\Catalogue\Filters\OpensHereFilter;
use App\Catalogue\Records\SaveRecord;
use App\Catalogue\Search\CatalogueSearch;
use App\Catalogue\Search\Facets;
use App\Catalogue\Search\NearSearch;
use App\Catalogue\Search\NoResultSuggestions;
use App\Catalogue\Search\ResultRow;
use App\Catalogue\Search\SearchRequest;
use App\Lending\LoanRules\CardEligibility;
use App\Models\Library;
use App\Models\Title;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Lending\LicenceModel;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\App\TestCase;

final class SearchTest extends TestCase
{
    /** @param  array<string, mixed>  $facts */
    private function record(
        string $name,
        array $facts = [],
        ?Library $library = null,
        LicenceModel $model = LicenceModel::OneCopyOneUser,
    ): Title {
        $people = array_map(
            fn(string $who): array => [
                'name' => explode(':', $who)[1],
                'sort' => explode(':', $who)[1],
                'role' => explode(':', $who)[0],
            ],
            $facts['people'] ?? ['author:Tamsin Ebbing'],
        );
        $title = app(SaveRecord::class)(
            new Record(
                ...[
                    'key' => 'test:' . ++$this->made,
                    'format' => Format::Ebook,
                    'name' => $name,
                    'contributors' => $people,
                    'extent' => 100,
                    'language' => 'en',
                    ...array_diff_key($facts, ['people' => 1]),
                ],
            ),
            $this->now(),
        );
        $this->fileOf($title);
        $title->format->isLent()
            ? $this->licence($title, $model, library: $library)
            : $this->standsElsewhere($title, $library);

        return $title;
    }

    /** @param  array<string, string>  $asked */
    private function search(array $asked): SearchRequest
    {
        return SearchRequest::read($this->library()->id, $asked, new CardEligibility());
    }

    /**
     * @param  array<string, string>  $asked
     * @return list<string> names found, in order
     */
    private function found(array $asked): array
    {
        $search = $this->search($asked);
        $page = app(CatalogueSearch::class)->page($search, 99, $this->now());

        return array_map(fn(Title $title): string => $title->name, array_values($page->getCollection()->all()));
    }

    /** @param  array<string, string>  $asked */
    private function facets(array $asked): Facets
    {
        return app(CatalogueSearch::class)->facets($this->search($asked), $this->now());
    }

    private function someTitles(): void
    {
        $this->record('Low Water', [
            'description' => 'Twice a year the sea goes out.',
            'subjects' => ['Mystery', 'Sea and coast'],
            'published' => '2015',
            'series' => 'Saltmere Chronicles',
            'seriesPosition' => 1.0,
            'publisher' => 'Gullwing Press',
            'level' => 4.2,
        ]);
        $this->record('Lamps of the Coast', [
            'people' => ['author:Oskar Penhale', 'narrator:Tove Dray'],
            'format' => Format::Audiobook,
            'subjects' => ['Sea and coast'],
            'published' => '2018-03',
            'awards' => ['Beacon Prize'],
            'identifiers' => ['978-0-306-40615-7'],
        ]);
        $this->record('El faro de la canción', [
            'people' => ['author:Beatriz Oro'],
            'language' => 'es',
            'description' => 'Las canciones del mar.',
            'published' => '2020',
            'audience' => Audience::Child,
            'level' => 2.0,
        ]);
        $this->record('The Water Garden', [
            'people' => ['author:Tove Dray'],
            'description' => 'A low hedge, and water.',
            'subjects' => ['Gardening'],
            'published' => '2021-06-01',
        ]);
        $this->record('الأمل', ['people' => ['author:Idris Abara'], 'language' => 'ar']);
        $this->record('漁師の歌', ['people' => ['author:Juno Pike'], 'language' => 'ja']);
    }

    /** @param  list<string>  $names */
    #[DataProvider('queries')]
    public function test_a_query_finds_what_it_says(string $typed, array $names): void
    {
        $this->someTitles();
        $this->assertEqualsCanonicalizing($names, $this->found(['q' => $typed]));
        $this->assertSame(count($names), $this->facets(['q' => $typed])->total);
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function queries(): iterable
    {
        [$low, $lamps, $faro, $garden, $hope, $song] = [
            'Low Water',
            'Lamps of the Coast',
            'El faro de la canción',
            'The Water Garden',
            'الأمل',
            '漁師の歌',
        ];
        $all = [$low, $lamps, $faro, $garden, $hope, $song];
        yield 'all words, in any field' => ['low water', [$low, $garden]];
        yield 'a phrase' => ['"low water"', [$low]];
        yield 'no phrase reaches over fields' => ['"water tamsin"', []];
        yield 'singular finds plural' => ['lamp', [$lamps]];
        yield 'plural finds singular' => ['gardens', [$garden]];
        yield 'in quotes it does not' => ['"lamp"', []];
        yield 'accents do not matter' => ['cancion', [$faro]];
        yield 'nor do they where they are wrong' => ['lów', [$low, $garden]];
        yield 'Spanish endings' => ['canciones', [$faro]];
        yield 'a beginning' => ['lam*', [$lamps]];
        yield 'OR' => ['lamp OR faro', [$lamps, $faro]];
        yield 'NOT' => ['water -garden', [$low]];
        yield 'only NOT' => ['-water', [$lamps, $faro, $hope, $song]];
        yield 'brackets' => ['(lamp OR water) -garden', [$low, $lamps]];
        yield 'title:' => ['title:low', [$low]];
        yield 'author:' => ['author:dray', [$garden]];
        yield 'narrator:' => ['narrator:dray', [$lamps]];
        yield 'contributor:' => ['contributor:dray', [$lamps, $garden]];
        yield 'not read by' => ['coast -narrator:dray', [$low]];
        yield 'series:' => ['series:chronicle', [$low]];
        yield 'subject:' => ['subject:"sea and coast"', [$low, $lamps]];
        yield 'publisher:' => ['publisher:gullwing', [$low]];
        yield 'award:' => ['award:beacon', [$lamps]];
        yield 'isbn:, with ten digits' => ['isbn:0306406152', [$lamps]];
        yield 'an ISBN anywhere' => ['9780306406157', [$lamps]];
        yield 'year:' => ['year:2016-2020', [$lamps, $faro]];
        yield 'year: or a word' => ['year:2021 OR title:low', [$low, $garden]];
        yield 'not of a year' => ['water -year:2015', [$garden]];
        yield 'level:' => ['level:-3', [$faro]];
        yield 'lang:' => ['lang:es', [$faro]];
        yield 'from right to left' => ['الأمل', [$hope]];
        yield 'without its sign' => ['الامل', [$hope]];
        yield 'a script without spaces' => ['漁師', [$song]];
        yield 'its signs in another order' => ['師漁', []];
        yield 'unreadable, so plain' => ['"low water', [$low, $garden]];
        yield 'everything' => ['', $all];
    }

    public function test_a_word_has_the_forms_of_the_record_s_language_alone(): void
    {
        $this->record('The Car', ['language' => 'en']);
        $this->record('Cares', ['language' => 'en']);
        $this->record('Los cares', ['language' => 'es']);
        $this->record('Car songs', ['language' => null, 'format' => Format::Music]);
        $this->assertEqualsCanonicalizing(['Cares', 'Los cares', 'Car songs'], $this->found(['q' => 'care']));
        $this->assertEqualsCanonicalizing(['Cares', 'Los cares'], $this->found(['q' => 'care -songs']));
        $this->assertEqualsCanonicalizing(['The Car'], $this->found(['q' => '-care']));
        $this->assertEqualsCanonicalizing(['Cares', 'Los cares', 'Car songs'], $this->found(['q' => 'title:care']));
    }

    public function test_a_title_that_is_called_so_comes_first(): void
    {
        $this->record('A Long Book about Water', [
            'description' => 'Water, water, low water and water.',
            'subjects' => ['Water'],
        ]);
        $this->someTitles();
        $this->assertSame('Low Water', $this->found(['q' => 'low water'])[0]);
        $this->assertSame('The Water Garden', $this->found(['q' => 'the water garden'])[0]);
    }

    public function test_counts_say_what_each_filter_would_leave(): void
    {
        $this->someTitles();
        $facets = $this->facets(['q' => 'sea OR water OR mar']);
        $this->assertSame([4, 4], [$facets->total, $facets->count('ready', 1)]);
        $this->assertEqualsCanonicalizing(['ebook' => 3, 'audiobook' => 1], $facets->of('format'));
        $this->assertEquals(['child' => 1, 'adult' => 3], $facets->of('audience'));
        $this->assertEquals(['en' => 3, 'es' => 1], $facets->of('language'));
        $this->assertSame([2015 => 1, 2018 => 1, 2020 => 1, 2021 => 1], $facets->of('year'));
        $this->assertSame([2 => 1, 4 => 1], $facets->of('level'));

        // The chosen format counts for all but the formats.
        $chosen = $this->facets(['q' => 'sea OR water OR mar', 'format' => 'audiobook']);
        $this->assertSame(1, $chosen->total);
        $this->assertEqualsCanonicalizing(['ebook' => 3, 'audiobook' => 1], $chosen->of('format'));
        $this->assertSame(['adult' => 1], $chosen->of('audience'));
    }

    /** Any filters together: each count is that of the search with the filter chosen, recounted by itself. */
    public function test_every_count_is_that_of_the_search_it_leads_to(): void
    {
        $dice = new Randomizer(new Mt19937(5));
        $pick = fn(array $of): mixed => $of[$dice->getInt(0, count($of) - 1)];
        for ($n = 0; $n < 60; $n++) {
            $title = $this->record(
                $pick(['Low', 'High', 'Deep']) . ' ' . $pick(['Water', 'Lamp', 'Reef']),
                [
                    'format' => $pick(Format::cases()),
                    'audience' => $pick(Audience::cases()),
                    'language' => $pick(['en', 'es', null]),
                    'published' => (string) $dice->getInt(2010, 2014),
                    'subjects' => array_values(
                        array_unique([$pick(['Mystery', 'Birds']), $pick(['Birds', 'Boats', 'Cooking'])]),
                    ),
                    'level' => $pick([null, 1.5, 3.0, 3.9]),
                    'series' => $pick([null, 'Tides', 'Reefs', 'Lamps']),
                    'publisher' => ['House of Reeds', 'Grey & Daughters, "Printers"', 'GREY & DAUGHTERS', null][$n % 4],
                    'awards' => $n % 5 === 0 ? ['Beacon Prize', '1999'] : [],
                ],
                model: $pick([LicenceModel::OneCopyOneUser, LicenceModel::Simultaneous]),
            );
            if ($n % 4 === 0 && $title->format->isLent() && $title->licences()->first()?->copies !== null) {
                $this->borrow($this->card(), $title);
            }
        }
        $birds = (string) DB::table('subjects')->where('name', 'Birds')->value('id');
        $wrong = [];
        $named = 0;
        foreach (
            [
                [],
                ['q' => 'low'],
                ['q' => 'lamp OR reef', 'format' => 'ebook'],
                ['ready' => '1', 'audience' => 'teen'],
                ['here' => '1', 'language' => 'en'],
                ['format' => 'paper', 'year' => '2011-2013'],
                ['subjects' => $birds, 'year' => '2011-2013'],
                ['always' => '1', 'language' => 'es'],
                ['level' => '3-3', 'format' => 'music'],
                ['publisher' => 'Grey & Daughters, "Printers"', 'q' => 'low'],
                ['awards' => '1999', 'format' => 'ebook'],
            ]
            as $asked
        ) {
            $facets = $this->facets($asked);
            $leadsTo = function (array $change, int $said) use ($asked, &$wrong): void {
                $count = app(CatalogueSearch::class)->total($this->search([...$asked, ...$change]), $this->now());
                if ($count !== $said) {
                    $wrong[] = json_encode([$asked, $change, $said, $count]);
                }
            };
            $leadsTo([], $facets->total);
            $leadsTo(['ready' => '1'], $facets->count('ready', 1));
            $leadsTo(['always' => '1'], $facets->count('always', 1));
            $leadsTo(['here' => '1'], OpensHereFilter::count($facets));
            foreach (['format' => Format::class, 'audience' => Audience::class] as $name => $enum) {
                foreach ($enum::cases() as $case) {
                    $leadsTo([$name => $case->value], $facets->count($name, $case->value));
                }
            }
            $leadsTo(['language' => null], $facets->without('language'));
            foreach (['en', 'es'] as $language) {
                $leadsTo(['language' => $language], $facets->of('language')[$language] ?? 0);
            }
            foreach (range(2010, 2014) as $year) {
                $leadsTo(['year' => "{$year}-{$year}"], $facets->of('year')[$year] ?? 0);
            }
            foreach ($facets->of('level') as $level => $count) {
                $leadsTo(['level' => "{$level}-{$level}"], $count);
            }
            foreach ($facets->of('subjects') as $subject => $count) {
                $leadsTo(['subjects' => trim(($asked['subjects'] ?? '') . ".{$subject}", '.')], $count);
            }
            foreach ($facets->of('series') as $series => $count) {
                $leadsTo(['series' => (string) $series], $count);
            }
            foreach (['awards', 'publisher'] as $list) {
                foreach ($facets->of($list) as $value => $count) {
                    $leadsTo([$list => ltrim(($asked[$list] ?? '') . "||{$value}", '|')], $count);
                }
            }
            $named += count($facets->of('series'));
        }
        $this->assertSame([], $wrong);
        $this->assertGreaterThan(12, $named, 'series are offered');
    }

    public function test_ready_now_is_true_at_the_moment(): void
    {
        $title = $this->record('Low Water');
        $this->assertSame(['Low Water'], $this->found(['ready' => '1']));
        $loan = $this->borrow($this->card(), $title);
        $this->assertSame([[], 0], [$this->found(['ready' => '1']), $this->facets([])->count('ready', 1)]);
        $this->travelTo($loan->due_at->addMinute());
        $this->artisan('lending:tick');
        $this->assertSame(['Low Water'], $this->found(['ready' => '1']));
    }

    public function test_words_that_mean_something_to_the_database_are_words(): void
    {
        $this->record('Null and True', ['subjects' => ['Select'], 'people' => ['author:Drop Table']]);
        foreach (['null', 'true', 'select', 'table'] as $word) {
            $this->assertSame(['Null and True'], $this->found(['q' => $word]), $word);
        }
        $this->assertSame(
            'null',
            app(NoResultSuggestions::class)->spelling($this->search(['q' => 'nulll']), $this->now()),
        );
    }

    public function test_a_changed_record_is_found_by_what_it_says_now(): void
    {
        $this->record('Old Name');
        app(SaveRecord::class)(
            new Record(
                key: "test:{$this->made}",
                format: Format::Ebook,
                name: 'New Name',
                contributors: [],
                extent: 1,
                language: 'en',
            ),
            $this->now(),
        );
        $this->assertSame([['New Name'], []], [$this->found(['q' => 'new']), $this->found(['q' => 'old'])]);
    }

    public function test_a_book_is_asked_for_by_its_number_in_the_series(): void
    {
        foreach ([1, 2, 3] as $n) {
            $title = app(SaveRecord::class)(
                new Record(
                    key: "skerries:{$n}",
                    format: Format::Ebook,
                    name: ['', 'The First Rock', 'Under Sail', 'Home'][$n],
                    contributors: [],
                    extent: 9,
                    series: 'Far Skerries',
                    seriesPosition: (float) $n,
                ),
                $this->now(),
            );
            $this->fileOf($title);
            $n === 3 || $this->licence($title);
        }
        foreach (['book 2 far skerries', 'Far Skerries vol. 2', 'libro 2 skerries'] as $typed) {
            $this->get('/catalogue?library=saltmere&q=' . urlencode($typed))
                ->assertOk()
                ->assertSeeTextInOrder(['Number 2 of the series “Far Skerries”:', 'Under Sail', 'Ebook']);
        }
        // What the library does not have is not offered as if it had it.
        foreach (['book 3 far skerries', 'book 9 far skerries', 'book 2 near skerries'] as $typed) {
            $this->get('/catalogue?library=saltmere&q=' . urlencode($typed))->assertDontSee('of the series “Far');
        }
    }

    public function test_where_not_all_words_are_found_the_nearest_is_offered_with_the_word_that_is_missing(): void
    {
        $this->record('Harbour Lantern');
        $this->record('Harbour Lantern', ['format' => Format::Audiobook]);
        $this->get('/catalogue?library=saltmere&q=harbour+zebra')
            ->assertSeeInOrder(
                ['No title has all of these words. Without “zebra”', '2 titles for “harbour”', '<article'],
                false,
            )
            ->assertSee('Also as')
            ->assertDontSee('Without “harbour”');
        // What was meant is shown at once.
        $page = $this->get('/catalogue?library=saltmere&q=harbour+lantern+audiobook')
            ->assertSeeInOrder(['Without “audiobook”:', '2 titles for “harbour lantern”'])
            ->assertSeeInOrder(['Looking among Audiobooks', '1 title for “harbour lantern”', '<article'], false);
        $this->assertSame(
            [['audiobook']],
            array_map(
                fn(NearSearch $near): array => array_map(
                    fn(ResultRow $row): string => $row->title->format->value,
                    $near->rows,
                ),
                $page->viewData('near'),
            ),
        );
        $long = str_repeat('harbour ', 49) . 'lantern ' . str_repeat('a', 200);
        $this->get('/catalogue?' . http_build_query(['library' => 'saltmere', 'q' => $long]))->assertSee(
            'It was longer than can be looked for; its end was left out.',
        );
        // A word that is not there at all, and too many of them.
        $this->get('/catalogue?library=saltmere&q=zebra')->assertDontSee('Without “');
        $this->get('/catalogue?library=saltmere&q=a+b+c+d+e+f+g+harbour')->assertDontSee('Without “');
    }

    public function test_signs_without_a_word_find_nothing_and_the_page_says_so(): void
    {
        $this->record('Harbour Lantern');
        foreach (['!!!', '""', '(', '…'] as $signs) {
            $this->get('/catalogue?library=saltmere&q=' . urlencode($signs))
                ->assertOk()
                ->assertSee('There is no word in this that could be looked for.')
                ->assertDontSee('Harbour Lantern');
        }
        $this->get('/catalogue?library=saltmere&q=')->assertSee('Harbour Lantern');
    }

    public function test_where_nothing_is_found_the_page_says_what_would_find_something(): void
    {
        $this->someTitles();
        $other = app(NoResultSuggestions::class);
        $this->assertEquals(
            ['format' => 1, 'year' => 1],
            $other->withoutFilter(
                $this->search(['q' => 'coast', 'format' => 'audiobook', 'year' => '2015-2015', 'audience' => 'adult']),
                $this->now(),
            ),
        );
        $this->assertSame('lamps coast', $other->spelling($this->search(['q' => 'lamsp coast']), $this->now()));
        $this->assertNull($other->spelling($this->search(['q' => 'xqzvw']), $this->now()));
        $this->assertNull($other->spelling($this->search(['q' => 'coast']), $this->now()));

        $page = $this->withCookie('library', 'saltmere')->get('/catalogue?q=gardn')->assertOk();
        $page->assertSee('Did you mean')->assertSee('q=garden', false);
        $this->get('/catalogue?q=water&format=music&library=saltmere')->assertSee(
            'Without “Music” there would be 2 titles',
        );
    }

    public function test_the_page_says_how_a_query_was_read(): void
    {
        $this->someTitles();
        $this->withCookie('library', 'saltmere');
        $this->get('/catalogue?q=' . urlencode('title:"low water" -narrator:dray year:2010-'))->assertSee(
            'with “low water” in the title, not read by “dray”, from 2010 on',
            false,
        );
        $this->get('/catalogue?q=' . urlencode('sea "low water'))->assertSeeInOrder(
            [
                'The quote at “&quot;low water” is not closed. So its words alone were looked for.',
                'Looked for: with “sea”, with “low”, with “water”.',
            ],
            false,
        );
        $this->get('/catalogue?q=low+water')->assertDontSee('Looked for:');
        foreach (
            [
                'year=x',
                'year=9999-1',
                'level=-',
                'subjects=1.x.99999999999',
                'language=%27',
                'series=0',
                'audience=x&format=y&order=z',
                'list=99',
                'year_from=99999&level_to=123456789',
                'page=9223372036854775807',
                'q=' . urlencode('year:2015.5'),
                'q=' . urlencode('level:9999-0.1 OR -year:0-9999'),
                'q=' . urlencode(str_repeat('(', 300)),
            ]
            as $odd
        ) {
            $this->get("/catalogue?{$odd}")->assertOk();
        }
    }

    public function test_the_advanced_form_writes_a_query_and_reads_one(): void
    {
        $this->someTitles();
        $this->withCookie('library', 'saltmere');
        $rows = [
            ['and', '', 'all', 'low'],
            ['or', 'title', 'begin', 'Gard'],
            ['and', '', 'row', 'the sea'],
            ['and', '', 'any', 'water tide'],
            ['and', 'author', 'all', 'Tamsin Ebbing'],
            ['not', '', 'all', 'garden'],
            ['and', '', 'all', ' '],
        ];
        $filled = ['rows' => count($rows), 'year_from' => '2010', 'year_to' => '2016', 'ready' => '1'];
        foreach ($rows as $n => [$joined, $field, $matching, $words]) {
            $filled += [
                'joined_' . ($n + 1) => $joined,
                'field_' . ($n + 1) => $field,
                'matching_' . ($n + 1) => $matching,
                'words_' . ($n + 1) => $words,
            ];
        }
        $query = '(low OR title:gard*) "the sea" (water OR tide) author:tamsin author:ebbing -garden year:2010-2016';
        $this->get('/catalogue/advanced?' . http_build_query([...$filled, 'go' => 1]))->assertRedirect(
            '/catalogue?q=' . rawurlencode($query) . '&ready=1&order=relevance',
        );
        $this->assertSame(['Low Water'], $this->found(['q' => $query]));
        $page = $this->get(
            '/catalogue/advanced?' . http_build_query(['q' => "{$query} (sea-road OR -x)", 'subjects' => '1']),
        )->assertOk();
        foreach (
            [
                'name="words_1" value="low"',
                'name="words_2" value="gard"',
                'name="words_3" value="the sea"',
                'name="words_4" value="water tide"',
                'name="words_5" value="tamsin ebbing"',
                'name="words_6" value="garden"',
                'name="words_7" value=""',
                'name="year_from" value="2010"',
                'name="rest" value="sea-road OR -x"',
                'name="subjects" value="1" checked',
            ]
            as $html
        ) {
            $this->assertHtml($page, $html);
        }
        $page->assertDontSee('name="words_8"', false);
        // Another row, and what cannot be read, lose nothing that was filled in.
        $more = $this->get(
            '/catalogue/advanced?' . http_build_query(['rows' => 4, 'words_1' => 'low', 'ready' => '1']),
        );
        $this->assertHtml(
            $more,
            'name="words_1" value="low"',
            'name="words_4" value=""',
            'name="ready" value="1" checked',
        );
        $wrong = [...$filled, 'year_to' => 'soon', 'go' => 1];
        $this->assertHtml(
            $this->get('/catalogue/advanced?' . http_build_query($wrong))
                ->assertOk()
                ->assertSee('Give years as numbers'),
            'name="year_to" value="soon"',
            'name="words_3" value="the sea"',
        );
        // Pins are filled in, and what is taken out of the form is not added again by them.
        $this->withCookie('pins', (string) json_encode(['format' => 'video', 'year' => '2000-']));
        $pinned = $this->get('/catalogue/advanced?q=low')->assertSee('Filled in because you pinned it: Video');
        $this->assertHtml($pinned, 'value="video" checked', 'name="year" value="2000-" checked');
        $this->get('/catalogue/advanced?rows=1&words_1=low&go=1&library=saltmere')->assertRedirect(
            '/catalogue?q=low&order=relevance',
        );
        $this->assertContains('Low Water', $this->found(['q' => 'low', 'order' => 'relevance']));
        $this->withCookie('pins', '[]');
        // Languages are chosen among those that titles are in, by their names; one that a search named all the same
        // stays.
        $this->record('Cartas desde el muelle', ['language' => 'es']);
        $page = $this->get('/catalogue/advanced?q=lang:es&audience=teen')->assertOk();
        $page->assertDontSee('French');
        $this->assertHtml($page, 'name="languages[]" value="es" checked', 'name="audiences[]" value="teen" checked');
        $this->assertHtml($this->get('/catalogue/advanced?q=lang:fr'), 'name="languages[]" value="fr" checked');
        // From A to Z as the language of the page has it.
        $this->withUnencryptedCookie('locale', 'es')
            ->get('/catalogue/advanced?language=ar,en,es')
            ->assertSeeInOrder(['value="ar" checked', 'value="es" checked', 'value="en" checked'], false);
        $this->withUnencryptedCookie('locale', 'en');
        $this->assertHtml(
            $this->get('/catalogue/advanced?language=en%2Ces%2C%3Cb%3E'),
            'name="languages[]" value="en" checked',
            'name="languages[]" value="es" checked',
        );
        $this->assertHtml($this->get('/catalogue/advanced?q=lang:spanish'), 'name="languages[]" value="es" checked');
        $this->get(
            '/catalogue/advanced?go=1&rows=1&words_1=quay&languages[]=fr&languages[]=es&awards=Best',
        )->assertRedirect('/catalogue?q=quay&language=es%2Cfr&awards=Best&order=relevance');
        $this->get(
            '/catalogue/advanced?go=1&rows=1&field_1=lang&words_1=es&audiences[]=teen&ages=9-12',
        )->assertRedirect('/catalogue?q=lang%3Aes&audience=teen&ages=9-12&order=relevance');
        $this->get('/catalogue/advanced?go=1&rows=3&formats[]=ebook&reach=beyond')->assertRedirect(
            '/catalogue?format=ebook&reach=beyond&order=newest',
        );
    }

    public function test_suggestions_say_what_they_are_and_how_many(): void
    {
        $this->someTitles();
        $this->record('Low Tide at Last', ['people' => ['author:Tamsin Ebbing'], 'series' => 'Saltmere Chronicles']);
        $this->withCookie('library', 'saltmere');
        $rows = fn(string $typed): array => preg_match_all(
            '~<span class="min-w-0 truncate">(.*?)</span><span[^>]*>(.*?)</span>~s',
            (string) $this->get('/suggest?q=' . urlencode($typed))
                ->assertOk()
                ->getContent(),
            $m,
        ) > 0
            ? array_map(
                fn(string $label, string $kind): string => html_entity_decode(strip_tags("{$label} ({$kind})")),
                $m[1],
                $m[2],
            )
            : [];

        $this->assertEqualsCanonicalizing(['Low Water (ebook)', 'Low Tide at Last (ebook)'], $rows('low'));
        $this->assertSame(['Low Water (ebook)'], $rows('low wa'));
        $this->assertContains('Tamsin Ebbing (author · 2)', $rows('ebb'));
        $this->assertEqualsCanonicalizing(['Tove Dray (author · 1)', 'Tove Dray (narrator · 1)'], $rows('dray'));
        $this->assertContains('Saltmere Chronicles (series · 2)', $rows('saltm'));
        $this->assertContains('Sea and coast (subject · 2)', $rows('sea'));
        $this->assertContains('Tamsin Ebbing (author · 2)', $rows('ebbign'), 'two letters the wrong way round');
        $this->assertContains('The Water Garden (ebook)', $rows('gardne'));
        foreach (['', 'a', '!', "'", 'zzzzzz', str_repeat('x', 500)] as $nothing) {
            $this->assertSame([], $rows($nothing), $nothing);
        }
        $elsewhere = $this->record('Low Elsewhere', library: $this->library('larkspur'));
        $this->assertNotContains("{$elsewhere->name} (ebook)", $rows('low'), 'it is not this library’s');
    }

    public function test_pinned_filters_come_with_the_next_search_and_go_when_taken_out(): void
    {
        $this->someTitles();
        $pin = fn(array $what): string => (string) $this->post('/catalogue/pins', [
            'search' => 'format=audiobook&language=en&order=newest',
            ...$what,
        ])
            ->assertRedirect()
            ->headers->get('Location');
        $names = fn(string $address): array => $this->get($address)->assertOk()->viewData('page')->pluck('name')->all();
        foreach ([null, $this->card()->person] as $who) {
            $who === null ? $this->withCookie('library', 'saltmere') : $this->be($who);
            $this->assertStringContainsString('format=audiobook', $pin(['filter' => 'format']));
            if ($who === null) {
                $this->withCookie('pins', '{"format":"audiobook"}');
            }
            $this->assertSame(['Lamps of the Coast'], $names('/catalogue'));
            $this->assertSame(['Lamps of the Coast'], $names('/catalogue?q=coast'));
            $this->assertCount(6, $names('/catalogue?order=newest'), 'a filter taken away on the page stays away');
            $this->assertCount(5, $names('/catalogue?format=ebook'), 'what is asked for goes before what is pinned');
            $this->get('/catalogue')->assertSee('Take the pin out of');
        }
        $pin(['filter' => 'all']);
        $this->assertEquals(['format' => 'audiobook', 'language' => 'en'], $who->refresh()->pins);
        $pin(['unpin' => 'language']);
        $pin(['unpin' => 'nothing', 'search' => 'x[]=1']);
        $this->assertEquals(['format' => 'audiobook'], $who->refresh()->pins);
        $pin(['unpin' => 'all']);
        $this->assertCount(6, $names('/catalogue'));
    }
}

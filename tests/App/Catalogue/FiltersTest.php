<?php

declare(strict_types=1);

namespace Tests\App\Catalogue;

use App\Catalogue\Filters\ChoiceFilter;
use App\Catalogue\Filters\Filter;
use App\Catalogue\Filters\Filters;
use App\Catalogue\Filters\SubjectFilter;
use App\Catalogue\Records\SaveRecord;
use App\Catalogue\Search\Facets;
use App\Models\Contributor;
use FigPorch\Core\Catalogue\AgeRange;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Record;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\App\TestCase;

/** What holds of every filter, and how one of many values looks on the page. */
final class FiltersTest extends TestCase
{
    /** What people, programs and attackers write into an address. */
    private const VALUES = [
        '1',
        '0',
        '',
        '-',
        '5-2',
        '2015-2020',
        '-2020',
        '2015-',
        '20155',
        "1\n",
        '1.2.3',
        '1.1.x',
        '9999999999',
        'ebook',
        'EBOOK',
        'child',
        'en',
        'en-GB',
        "'; drop table titles; --",
        'A || B',
        '||',
        'A||B||A',
        '"quoted"',
        'ẞtraße',
        '1999',
    ];

    public function test_what_is_written_into_the_address_reads_back_as_the_same(): void
    {
        $random = new Randomizer(new Mt19937(8));
        $set = 0;
        for ($n = 0; $n < 400; $n++) {
            $asked = [];
            foreach ([...Filters::names(), 'year_from', 'level_to'] as $name) {
                $asked[$name] = self::VALUES[$random->getInt(0, count(self::VALUES) - 1)];
            }
            $filters = Filters::read($asked);
            $this->assertEquals($filters, Filters::read($filters->written()), json_encode($asked) ?: '');
            $set += count($filters->written());
            // Each chip takes away what it names, and nothing else.
            foreach ($filters->chips(new Facets()) as $chip) {
                $left = Filters::read([$chip->filter => $chip->left] + $filters->written());
                $this->assertSame(
                    array_diff_key($filters->written(), [$chip->filter => 1]),
                    array_diff_key($left->written(), [$chip->filter => 1]),
                );
                $this->assertCount(count($filters->chips(new Facets())) - 1, $left->chips(new Facets()));
            }
        }
        $this->assertGreaterThan(1000, $set);
    }

    public function test_ranges_the_wrong_way_round_are_turned_and_a_title_has_one_publisher(): void
    {
        $this->assertSame(
            ['year' => '2015-2020', 'publisher' => 'Reed'],
            Filters::read(['year' => '2020-2015', 'publisher' => 'Reed||Otherwise'])->written(),
        );
    }

    /** @return iterable<string, array{string}> */
    public static function names(): iterable
    {
        foreach (Filters::names() as $name) {
            yield $name => [$name];
        }
    }

    #[DataProvider('names')]
    public function test_whatever_is_asked_of_a_filter_the_page_answers(string $name): void
    {
        $this->licence($this->title());
        foreach (self::VALUES as $value) {
            foreach (['', 'beyond'] as $reach) {
                $this->get(
                    '/catalogue?' . http_build_query([$name => $value, 'reach' => $reach, 'library' => 'saltmere']),
                )->assertOk();
            }
        }
    }

    public function test_a_publisher_is_offered_chosen_and_taken_away_again(): void
    {
        foreach (
            ['Reed & Daughters', 'Reed & Daughters', ' Reed & Daughters ', 'Otherwise', null]
            as $n => $publisher
        ) {
            $this->licence(
                app(SaveRecord::class)(
                    new Record(
                        key: "t:{$n}",
                        format: Format::Ebook,
                        name: "Tide {$n}",
                        contributors: [],
                        extent: 10,
                        publisher: $publisher,
                    ),
                    $this->now(),
                ),
            );
        }
        $address = 'publisher=' . rawurlencode('Reed & Daughters');
        $page = $this->get('/catalogue?library=saltmere')->assertOk();
        $this->assertSame(['Reed & Daughters' => 3, 'Otherwise' => 1], $page->viewData('facets')->of('publisher'));
        $page->assertSeeText('Publisher')->assertSee($address);
        $chosen = $this->get("/catalogue?library=saltmere&{$address}");
        $chosen->assertSeeText('Tide 2')->assertDontSeeText('Tide 3')->assertDontSeeText('Otherwise');
        $chosen->assertSee('Take away the filter “Reed &amp; Daughters”', false);
        $this->assertSame(3, $chosen->viewData('page')->total());
        // Nothing fits: the page says what would, without it.
        $this->get("/catalogue?library=saltmere&{$address}&q=4")
            ->assertSeeText('Without “Reed & Daughters” there would be 1 title')
            ->assertDontSeeText('Tide 2');
        // A record that changes its publisher is found by the new one alone.
        app(SaveRecord::class)(
            new Record(
                key: 't:0',
                format: Format::Ebook,
                name: 'Tide 0',
                contributors: [],
                extent: 10,
                publisher: 'Otherwise',
            ),
            $this->now(),
        );
        $counts = $this->get('/catalogue?library=saltmere')->viewData('facets')->of('publisher');
        $this->assertSame(['Otherwise' => 2, 'Reed & Daughters' => 2], $counts);
    }

    public function test_several_formats_audiences_and_languages_at_once(): void
    {
        foreach (
            [
                ['Tide', Format::Ebook, Audience::Adult, 'en'],
                ['Marsh', Format::Audiobook, Audience::Teen, 'es'],
                ['Bell', Format::Music, Audience::Child, null],
                ['Reed', Format::Video, Audience::Adult, 'en'],
            ]
            as [$name, $format, $audience, $language]
        ) {
            $record = new Record(
                key: "t:{$name}",
                format: $format,
                name: $name,
                contributors: [],
                extent: 10,
                language: $language,
                audience: $audience,
            );
            $this->licence(app(SaveRecord::class)($record, $this->now()));
        }
        $found = function (string $query): array {
            $page = $this->get("/catalogue?library=saltmere&{$query}")
                ->assertOk()
                ->viewData('page');
            $names = $page->pluck('name')->sort()->values()->all();
            $this->assertSame(count($names), $page->total());

            return $names;
        };
        $this->assertSame(['Marsh', 'Tide'], $found('format=ebook,audiobook'));
        $this->get(
            '/catalogue?library=saltmere&q=tide&formats[]=video&formats[]=ebook&formats[]=x&order=title',
        )->assertRedirect('/catalogue?library=saltmere&q=tide&order=title&format=ebook%2Cvideo');
        $this->assertSame(['Bell', 'Marsh', 'Reed', 'Tide'], $found('formats[]=nonsense&formats[]='));
        $this->assertSame(['Marsh', 'Tide'], $found('format=audiobook,nonsense,ebook,ebook'));
        $this->assertSame(['Reed', 'Tide'], $found('format=ebook,video&language=en,es'));
        $this->assertSame(['Bell', 'Marsh'], $found('audience=teen,child'));
        $this->assertSame(['Marsh', 'Reed', 'Tide'], $found('language=en,es'));
        $page = $this->get('/catalogue?library=saltmere&format=ebook,video');
        // Each is taken away by itself, and its count is of what the other filters leave.
        $page->assertSee('format=video', false)->assertSee('format=ebook', false);
        $this->assertEquals(
            ['ebook' => 1, 'audiobook' => 1, 'music' => 1, 'video' => 1],
            $page->viewData('facets')->of('format'),
        );
        $this->assertHtml(
            $page,
            'value="ebook" data-submit-on-change checked',
            'value="video" data-submit-on-change checked',
        );
        // However it was ticked, the address is the same.
        $this->assertSame('ebook,video', Filters::read(['format' => 'video, ebook'])->written()['format']);
        $this->get(
            '/catalogue/advanced?go=1&rows=1&formats[]=video&formats[]=ebook&audiences[]=adult&library=saltmere',
        )->assertRedirect('/catalogue?format=ebook%2Cvideo&audience=adult&order=newest');
    }

    public function test_titles_by_age_by_author_and_by_narrator(): void
    {
        $made = [];
        foreach (
            [
                'Reed' => [Audience::Child, '5-7', ['Ansgar Brandt' => 'author', 'Juno Ebbing' => 'narrator']],
                'Bell' => [Audience::Child, null, ['Juno Ebbing' => 'author']],
                'Marsh' => [Audience::Teen, '13-', ['Odalys Venn' => 'author', 'Ansgar Brandt' => 'author']],
                'Tide' => [Audience::Adult, null, ['Odalys Venn' => 'author', 'Ansgar Brandt' => 'narrator']],
            ]
            as $name => [$audience, $ages, $people]
        ) {
            $record = new Record(
                key: "t:{$name}",
                format: Format::Audiobook,
                name: $name,
                contributors: array_map(
                    fn(string $of, string $role): array => ['name' => $of, 'sort' => $of, 'role' => $role],
                    array_keys($people),
                    $people,
                ),
                extent: 10,
                audience: $audience,
                ages: AgeRange::parse($ages),
            );
            $this->licence($made[] = app(SaveRecord::class)($record, $this->now()));
        }
        $found = fn(string $query): array => $this->get("/catalogue?library=saltmere&order=title&{$query}")
            ->assertOk()
            ->viewData('page')
            ->pluck('name')
            ->all();
        $number = fn(string $name): int => Contributor::query()->where('name', $name)->firstOrFail()->id;
        [$ansgar, $juno] = [$number('Ansgar Brandt'), $number('Juno Ebbing')];

        // A band has what is for readers of any age in it; where a record says none, its audience does.
        $this->assertSame(['Bell', 'Reed'], $found('ages=0-5'));
        $this->assertSame(['Bell', 'Reed'], $found('ages=6-8'));
        $this->assertSame(['Bell'], $found('ages=9-12'));
        $this->assertSame(['Marsh'], $found('ages=15-17'));
        $this->get('/catalogue?library=saltmere&ages=6-8')->assertSeeText('Ages 6–8');
        $this->get('/catalogue?library=saltmere&ages=6-9')->assertSeeText(
            'Not known here, and so left out: Interest age.',
        );
        $offered = $this->get('/catalogue?library=saltmere')
            ->assertSeeInOrder(['Interest age', '0–5', '6–8', '9–12', '13–14', '15–17'])
            ->viewData('facets');
        $this->assertEquals(['0-5' => 2, '6-8' => 2, '9-12' => 1, '13-14' => 1, '15-17' => 1], $offered->of('ages'));

        $this->assertSame(['Marsh', 'Reed'], $found("authors={$ansgar}"));
        $this->assertSame(['Tide'], $found("narrators={$ansgar}"));
        $this->assertSame(['Reed'], $found("authors={$ansgar}&narrators={$juno}"));
        $this->assertSame(['Marsh'], $found("authors={$ansgar}.{$number('Odalys Venn')}"));
        $this->get("/catalogue?library=saltmere&narrators={$ansgar}")->assertSeeText('Read by Ansgar Brandt');

        // Whoever is asked for is chosen from all that the search leaves, found by any word of the name.
        $this->assertHtml(
            $this->get('/catalogue?library=saltmere&q=t*')->assertSee('Choose …'),
            'href="/catalogue/choose/authors?q=t%2A&amp;order=relevance"',
        );
        $names = fn(string $address): array => array_column(
            $this->get("/catalogue/choose/{$address}")
                ->assertOk()
                ->viewData('page')
                ->items(),
            'titles',
            'name',
        );
        $this->assertSame(
            ['Ansgar Brandt' => 2, 'Odalys Venn' => 2, 'Juno Ebbing' => 1],
            $names('authors?library=saltmere'),
        );
        $this->assertCount(3, $names('authors?library=saltmere&page=99'), 'beyond the last is the last');
        $this->assertSame(['Juno Ebbing' => 1], $names('authors?library=saltmere&find=EBB'));
        $this->assertSame(['Odalys Venn' => 1], $names("authors?library=saltmere&narrators={$ansgar}"));
        $this->assertSame(['Odalys Venn' => 1], $names("authors?library=saltmere&authors={$ansgar}"));
        $this->assertSame([], $names('authors?library=saltmere&find=' . rawurlencode("q'); drop table titles; --")));
        $this->get('/catalogue/choose/authors?library=saltmere&find=nobody')->assertSeeText(
            'None of these titles has one called “nobody”.',
        );
        $this->get('/catalogue/choose/ages?library=saltmere&ages=6-8')->assertSeeText('No more can be chosen.');
        $this->get('/catalogue/choose/ages?library=saltmere&ages=15-17&find=x')->assertSeeText(
            'No more can be chosen.',
        );
        $this->get('/catalogue/choose/year?library=saltmere')->assertNotFound();
        $this->assertHtml(
            $this->get('/catalogue/choose/authors?library=saltmere&ages=0-5&by=name'),
            "authors={$ansgar}",
            'ages=0-5',
        );
    }

    public function test_more_values_can_be_looked_for_when_one_is_chosen_as_well(): void
    {
        for ($n = 0; $n < SubjectFilter::OFFERED + 2; $n++) {
            $record = new Record(
                key: "t:{$n}",
                format: Format::Ebook,
                name: "Tide {$n}",
                contributors: [],
                extent: 10,
                subjects: ['Sea', "Bay {$n}"],
            );
            $this->licence(app(SaveRecord::class)($record, $this->now()));
        }
        $sea = DB::table('subjects')->where('name', 'Sea')->value('id');
        foreach (['', "&subjects={$sea}"] as $chosen) {
            $this->assertHtml(
                $this->get("/catalogue?library=saltmere&order=title{$chosen}"),
                '/catalogue/choose/subjects?',
            );
        }
        $this->get('/catalogue?library=saltmere&q=3')->assertDontSee('/catalogue/choose/subjects?', false);
    }

    public function test_every_filter_has_words_in_both_languages(): void
    {
        foreach (['en', 'es'] as $locale) {
            app()->setLocale($locale);
            $filters = Filters::read([]);
            $words = array_map(fn(Filter $of): string => $of->heading(), $filters->of(Filter::class));
            foreach ($filters->of(ChoiceFilter::class) as $filter) {
                array_push($words, $filter->any(), ...array_values($filter->values(['en' => 1])));
            }
            $this->assertSame([], preg_grep('/^\w+\.[\w.]+$/', $words), 'keys that no file of words has');
            $this->assertGreaterThan(count(Filters::ALL) + 8, count($words));
        }
    }
}

<?php

declare(strict_types=1);

namespace Tests\Reference;

use DateTimeImmutable;
use FigPorch\Core\Catalogue\Citation\Bibliography;
use FigPorch\Core\Catalogue\Citation\BibTex;
use FigPorch\Core\Catalogue\Citation\CitedTitle;
use FigPorch\Core\Catalogue\Citation\CslJson;
use FigPorch\Core\Catalogue\Citation\InText;
use FigPorch\Core\Catalogue\Citation\Name;
use FigPorch\Core\Catalogue\Citation\Passage;
use FigPorch\Core\Catalogue\Citation\Reference;
use FigPorch\Core\Catalogue\Citation\Ris;
use FigPorch\Core\Catalogue\Citation\Style;
use FigPorch\Core\Catalogue\Format;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/**
 * Citations against citeproc-js with the CSL styles for APA and Vancouver, and the readers of RIS and BibTeX, of the
 * npm packages
 *
 * @citation-js; MLA, Chicago, Harvard and ASA against the forms of entries that their guides print, from memory, with
 * invented titles.
 */
final class CitationTest extends TestCase
{
    /** @return mixed what a script prints as JSON */
    private static function node(string $script, mixed $input): mixed
    {
        $process = new Process(
            [
                'node',
                '--input-type=module',
                '-e',
                "import { readFileSync } from 'node:fs'; import { Cite, plugins }
                    from '@citation-js/core'; const given = JSON.parse(readFileSync(0)); {$script}",
            ],
            __DIR__ . '/../..',
            input: (string) json_encode($input),
        );

        return json_decode($process->mustRun()->getOutput(), true, flags: JSON_THROW_ON_ERROR);
    }

    /** @return array<string, CitedTitle> */
    private static function titles(): array
    {
        $maren = new Name('Osei', 'Maren');
        $people = array_map(
            fn(int $n): Name => new Name('Quell' . chr(97 + $n), chr(65 + $n) . 'da Lior'),
            range(0, 24),
        );

        return [
            'one author' => new CitedTitle(
                't1',
                Format::Ebook,
                'The long tide',
                ['author' => [$maren]],
                publisher: 'Low Tide Books',
                published: '2019',
            ),
            'two authors and a subtitle' => new CitedTitle(
                't2',
                Format::Ebook,
                'Salt',
                ['author' => [$maren, new Name('Pike', 'Juno Beatriz')]],
                subtitle: 'A history',
                edition: '2nd ed.',
                publisher: 'Low Tide Books',
                published: '2019-05-12',
            ),
            'three authors' => new CitedTitle(
                't3',
                Format::Ebook,
                'Salt',
                ['author' => array_slice($people, 0, 3)],
                publisher: 'Low Tide Books',
                published: '2019',
            ),
            'seven authors' => new CitedTitle(
                't4',
                Format::Ebook,
                'Salt',
                ['author' => array_slice($people, 0, 7)],
                publisher: 'Low Tide Books',
                published: '2019',
            ),
            'twenty-two authors' => new CitedTitle(
                't5',
                Format::Ebook,
                'Salt',
                ['author' => array_slice($people, 0, 22)],
                publisher: 'Low Tide Books',
                published: '2019',
            ),
            'a name with a hyphen' => new CitedTitle(
                't6',
                Format::Ebook,
                'Salt',
                ['author' => [new Name('Okoro-Hale', 'Jean-Luc')]],
                publisher: 'Low Tide Books',
                published: '2019',
            ),
            'a body' => new CitedTitle(
                't7',
                Format::Ebook,
                'Tide tables',
                ['author' => [new Name('Harbour Office')]],
                publisher: 'Low Tide Books',
                published: '2019',
            ),
            'no date' => new CitedTitle(
                't8',
                Format::Ebook,
                'Salt',
                ['author' => [$maren]],
                publisher: 'Low Tide Books',
            ),
            'no author' => new CitedTitle(
                't9',
                Format::Ebook,
                'Songs of the quay',
                publisher: 'Low Tide Books',
                published: '2019',
            ),
            'editors' => new CitedTitle(
                't10',
                Format::Ebook,
                'Songs of the quay',
                ['editor' => [$maren, new Name('Pike', 'Juno')]],
                publisher: 'Low Tide Books',
                published: '2019',
            ),
            'a question' => new CitedTitle(
                't11',
                Format::Ebook,
                'Who lit the lamp?',
                ['author' => [$maren]],
                publisher: 'Low Tide Books',
                published: '2019',
            ),
        ];
    }

    public function test_a_passage_in_apa_is_cited_as_citeproc_cites_it(): void
    {
        // Two works of the same people and year get letters in a bibliography; a passage by itself does not.
        $titles = array_values(
            array_intersect_key(
                self::titles(),
                array_flip([
                    'one author',
                    'two authors and a subtitle',
                    'three authors',
                    'a body',
                    'no date',
                    'editors',
                ]),
            ),
        );
        $theirs = self::node(
            "await import('@citation-js/plugin-csl'); console.log(JSON.stringify(given.map(item => new " .
                "Cite([item]).format('citation', { template: 'apa', lang: 'en-US', entry: [{ id: item.id, " .
                "locator: '12', label: 'page' }] }))))",
            array_map(CslJson::of(...), $titles),
        );
        $this->assertSame(
            $theirs,
            array_map(fn(CitedTitle $title): string => InText::of($title, new Passage('12'), Style::Apa), $titles),
        );
    }

    /** The forms that the guides print (see InText), from memory, with invented titles. */
    public function test_a_passage_carries_its_page_or_else_its_heading(): void
    {
        $two = self::titles()['two authors and a subtitle'];
        $seven = self::titles()['seven authors'];
        $page = new Passage('12', 'The Quay');
        $heading = new Passage(null, 'The Quay');
        foreach (
            [
                'apa' => [
                    '(Osei & Pike, 2019, p. 12)',
                    '(Osei & Pike, 2019, The Quay section)',
                    '(Quella et al., 2019, p. 12)',
                ],
                'mla' => ['(Osei and Pike 12)', '(Osei and Pike, “The Quay”)', '(Quella et al. 12)'],
                'chicago' => [
                    'Maren Osei and Juno Beatriz Pike, Salt: A history (Low Tide Books, 2019), 12.',
                    'Maren Osei and Juno Beatriz Pike, Salt: A history (Low Tide Books, 2019), under “The Quay”.',
                    'Ada Lior Quella et al., Salt (Low Tide Books, 2019), 12.',
                ],
                'harvard' => [
                    '(Osei and Pike, 2019, p. 12)',
                    '(Osei and Pike, 2019, “The Quay”)',
                    '(Quella et al., 2019, p. 12)',
                ],
                'vancouver' => ['(1, p. 12)', '(1, The Quay)', '(1, p. 12)'],
                'asa' => ['(Osei and Pike 2019:12)', '(Osei and Pike 2019)', '(Quella et al. 2019:12)'],
            ]
            as $style => $expected
        ) {
            $of = fn(CitedTitle $title, Passage $passage): string => InText::of($title, $passage, Style::from($style));
            $this->assertSame($expected, [$of($two, $page), $of($two, $heading), $of($seven, $page)], $style);
        }
    }

    public function test_apa_is_as_citeproc_writes_it(): void
    {
        $theirs = self::node(
            "await import('@citation-js/plugin-csl'); console.log(JSON.stringify(given.map(item => new " .
                "Cite(item).format('bibliography', { format: 'text', template: 'apa', lang: 'en-US' }).trim())))",
            array_map(CslJson::of(...), array_values(self::titles())),
        );
        foreach (array_values(self::titles()) as $n => $title) {
            // The style of the package writes the three dots of long lists of names with one sign.
            $this->assertSame(
                str_replace('…', '. . .', $theirs[$n]),
                Reference::text($title, Style::Apa),
                array_keys(self::titles())[$n],
            );
        }
    }

    /**
     * @param  string|null  $day  on which they are read
     * @return array<string, CitedTitle> the same, each with its address
     */
    private static function online(?string $day = null): array
    {
        return array_map(
            fn(CitedTitle $of): CitedTitle => new CitedTitle(
                key: $of->key,
                format: $of->format,
                name: $of->name,
                people: $of->people,
                subtitle: $of->subtitle,
                edition: $of->edition,
                publisher: $of->publisher,
                published: $of->published,
                address: 'https://library.example/titles/7?a=1',
                accessed: $day === null ? null : new DateTimeImmutable($day),
            ),
            // Undated, citeproc writes "Retrieved" without a day, which APA wants.
            $day === null
                ? array_filter(self::titles(), fn(CitedTitle $of): bool => $of->published !== null)
                : self::titles(),
        );
    }

    public function test_what_is_read_on_line_says_where_as_citeproc_writes_it(): void
    {
        foreach (
            [[Style::Apa, null], [Style::Vancouver, null], [Style::Apa, '2026-09-05'], [Style::Vancouver, '2026-09-05']]
            as [$style, $day]
        ) {
            $theirs = self::node(
                "await import('@citation-js/plugin-csl'); console.log(JSON.stringify(given.map(item => new " .
                    "Cite(item).format('bibliography', { format: 'text', template: '{$style->value}', lang: 'en-US' })" .
                    '.trim())))',
                array_map(CslJson::of(...), array_values(self::online($day))),
            );
            foreach (array_values(self::online($day)) as $n => $title) {
                if ($style === Style::Vancouver && $title->year() === null) {
                    // The style of the package does not say that the date is unknown.
                    continue;
                }
                $this->assertSame(
                    str_replace('…', '. . .', (string) preg_replace('/^\d+\. */', '', $theirs[$n])),
                    Reference::text($title, $style),
                    $day ?? 'no day',
                );
            }
        }
        $read = new CitedTitle(
            'd',
            Format::Ebook,
            'Salt',
            address: 'https://library.example/7',
            accessed: new DateTimeImmutable('2026-09-05'),
        );
        $this->assertSame([[2026, 9, 5]], CslJson::of($read)['accessed']['date-parts']);
        $theirs = self::node(
            "await import('@citation-js/plugin-bibtex'); console.log(JSON.stringify(new Cite(given).data))",
            BibTex::of($read),
        );
        $this->assertSame([[2026, 9, 5]], $theirs[0]['accessed']['date-parts'] ?? null);
        // Y2 is the day of access in the RIS specification, from memory; the package reads another tag for it.
        $this->assertStringContainsString('Y2  - 2026/09/05/', Ris::of($read));
    }

    public function test_an_issue_of_a_magazine_has_its_number_as_an_issue(): void
    {
        $issue = new CitedTitle('m', Format::Magazine, 'Tides', edition: 'No. 12', published: '2019-05');
        $this->assertSame(['No. 12', null], [CslJson::of($issue)['issue'], CslJson::of($issue)['edition'] ?? null]);
        $ris = self::node(
            "await import('@citation-js/plugin-ris'); console.log(JSON.stringify(new Cite(given).data))",
            Ris::of($issue),
        );
        $this->assertSame('No. 12', $ris[0]['issue']);
        $this->assertStringContainsString('number = {No. 12}', BibTex::of($issue));
    }

    /** A whole bibliography: its order, and the letters of the same people and year. */
    public function test_a_bibliography_in_apa_is_as_citeproc_writes_it(): void
    {
        $osei = new Name('Osei', 'Maren');
        $pike = new Name('Pike', 'Juno');
        $facts = [
            ['The tide tables', [$osei], '2019'],
            ['A ledger', [$osei], '2019-04-02'],
            ['Both', [$osei, $pike], '2019'],
            ['Bells', [$pike], '2019'],
            ['An older one', [$osei], '2011'],
            ['Much of it', [$osei], '2019'],
            ['Undated B', [$pike], null],
            ['Undated A', [$pike], null],
        ];
        $titles = [];
        foreach ($facts as $n => [$name, $people, $published]) {
            $titles[] = new CitedTitle(
                "t{$n}",
                Format::Ebook,
                $name,
                ['author' => $people],
                publisher: 'Low Tide Books',
                published: $published,
            );
        }
        $theirs = self::node(
            "await import('@citation-js/plugin-csl'); console.log(JSON.stringify(new " .
                "Cite(given).format('bibliography', { format: 'text', template: 'apa', lang: 'en-US' })))",
            array_map(CslJson::of(...), $titles),
        );
        $ours = array_map(
            fn(CitedTitle $of): string => Reference::text($of, Style::Apa),
            Bibliography::of($titles, Style::Apa),
        );
        $this->assertSame(array_values(array_filter(explode("\n", trim($theirs)))), $ours);
        $this->assertContains('Osei, M. (2019b). Much of it. Low Tide Books.', $ours);
        // Where titles stand by name, or by number, there are no letters.
        foreach ([Style::Mla, Style::Chicago, Style::Vancouver] as $style) {
            foreach (Bibliography::of($titles, $style) as $of) {
                $this->assertSame('', $of->letter);
            }
        }
    }

    public function test_vancouver_is_as_citeproc_writes_it(): void
    {
        $theirs = self::node(
            "await import('@citation-js/plugin-csl'); console.log(JSON.stringify(given.map(item => new " .
                "Cite(item).format('bibliography', { format: 'text', template: 'vancouver', lang: 'en-US' }).trim())))",
            array_map(CslJson::of(...), array_values(self::titles())),
        );
        foreach (array_values(self::titles()) as $n => $title) {
            if ($title->published !== null) {
                $this->assertSame(
                    (string) preg_replace('/^\d+\. */', '', $theirs[$n]),
                    Reference::text($title, Style::Vancouver),
                    array_keys(self::titles())[$n],
                );
            }
        }
    }

    /** @return iterable<string, array{Style, CitedTitle, string}> */
    public static function guides(): iterable
    {
        $titles = self::titles();
        $maren = new Name('Osei', 'Maren');
        $audio = new CitedTitle(
            'a',
            Format::Audiobook,
            'The Long Tide',
            ['author' => [$maren], 'narrator' => [new Name('Oro', 'Liv')]],
            publisher: 'Low Tide Audio',
            published: '2019',
        );
        $film = new CitedTitle(
            'f',
            Format::Video,
            'The Quay',
            ['director' => [$maren]],
            publisher: 'Lantern Films',
            published: '2019',
        );
        $translated = new CitedTitle(
            'tr',
            Format::Ebook,
            'The Long Tide',
            ['author' => [$maren], 'translator' => [new Name('Pike', 'Juno')]],
            publisher: 'Low Tide Books',
            published: '2019',
        );

        yield 'APA, audiobook' => [
            Style::Apa,
            $audio,
            'Osei, M. (2019). The Long Tide (L. Oro, Narr.) [Audiobook]. Low Tide Audio.',
        ];
        yield 'APA, film' => [Style::Apa, $film, 'Osei, M. (Director). (2019). The Quay [Film]. Lantern Films.'];
        yield 'APA, translation' => [
            Style::Apa,
            $translated,
            'Osei, M. (2019). The Long Tide (J. Pike, Trans.). Low Tide Books.',
        ];
        yield 'MLA, one author' => [
            Style::Mla,
            $titles['one author'],
            'Osei, Maren. The long tide. Low Tide Books, 2019.',
        ];
        yield 'MLA, two authors, edition' => [
            Style::Mla,
            $titles['two authors and a subtitle'],
            'Osei, Maren, and Juno Beatriz Pike. Salt: A history. 2nd ed., Low Tide Books, 2019.',
        ];
        $online = self::online();
        yield 'MLA, on line' => [
            Style::Mla,
            $online['one author'],
            'Osei, Maren. The long tide. E-book ed., Low Tide Books, 2019, https://library.example/titles/7?a=1.',
        ];
        yield 'MLA, on line, edition' => [
            Style::Mla,
            $online['two authors and a subtitle'],
            'Osei, Maren, and Juno Beatriz Pike. Salt: A history. 2nd ed., Low Tide Books, 2019, ' .
            'https://library.example/titles/7?a=1.',
        ];
        yield 'Chicago, on line' => [
            Style::Chicago,
            $online['one author'],
            'Osei, Maren. The long tide. Low Tide Books, 2019. https://library.example/titles/7?a=1.',
        ];
        yield 'Harvard, on line' => [
            Style::Harvard,
            $online['one author'],
            'Osei, M. (2019) The long tide. Low Tide Books. Available at: https://library.example/titles/7?a=1.',
        ];
        yield 'Harvard, on line, on a day' => [
            Style::Harvard,
            self::online('2026-09-05')['one author'],
            'Osei, M. (2019) The long tide. Low Tide Books. Available at: https://library.example/titles/7?a=1 ' .
            '(Accessed: 5 September 2026).',
        ];
        yield 'Harvard, on paper, on a day' => [
            Style::Harvard,
            new CitedTitle(
                'p',
                Format::Paper,
                'Salt',
                ['author' => [$maren]],
                address: 'https://library.example/7',
                accessed: new DateTimeImmutable('2026-09-05'),
            ),
            'Osei, M. (no date) Salt.',
        ];
        yield 'Vancouver, on paper, on a day' => [
            Style::Vancouver,
            new CitedTitle(
                'p',
                Format::Paper,
                'Salt',
                ['author' => [$maren]],
                address: 'https://library.example/7',
                accessed: new DateTimeImmutable('2026-09-05'),
            ),
            'Osei M. Salt. date unknown.',
        ];
        yield 'ASA, on line' => [
            Style::Asa,
            $online['one author'],
            'Osei, Maren. 2019. The long tide. Low Tide Books. (https://library.example/titles/7?a=1).',
        ];
        yield 'on paper' => [
            Style::Chicago,
            new CitedTitle('p', Format::Paper, 'Salt', ['author' => [$maren]], address: 'https://library.example/7'),
            'Osei, Maren. Salt. n.d.',
        ];
        yield 'MLA, three authors' => [
            Style::Mla,
            $titles['three authors'],
            'Quella, Ada Lior, et al. Salt. Low Tide Books, 2019.',
        ];
        yield 'MLA, audiobook' => [
            Style::Mla,
            $audio,
            'Osei, Maren. The Long Tide. Narrated by Liv Oro, Low Tide Audio, 2019. Audiobook.',
        ];
        yield 'MLA, film' => [Style::Mla, $film, 'The Quay. Directed by Maren Osei, Lantern Films, 2019. Film.'];
        yield 'MLA, editors' => [
            Style::Mla,
            $titles['editors'],
            'Osei, Maren, and Juno Pike, editors. Songs of the quay. Low Tide Books, 2019.',
        ];
        yield 'Chicago, one author' => [
            Style::Chicago,
            $titles['one author'],
            'Osei, Maren. The long tide. Low Tide Books, 2019.',
        ];
        yield 'Chicago, three authors' => [
            Style::Chicago,
            $titles['three authors'],
            'Quella, Ada Lior, Bda Lior Quellb, and Cda Lior Quellc. Salt. Low Tide Books, 2019.',
        ];
        yield 'Chicago, more than ten' => [
            Style::Chicago,
            $titles['twenty-two authors'],
            'Quella, Ada Lior, Bda Lior Quellb, Cda Lior Quellc, Dda Lior Quelld, Eda Lior Quelle, Fda Lior ' .
            'Quellf, Gda Lior Quellg, et al. Salt. Low Tide Books, 2019.',
        ];
        yield 'Chicago, translation' => [
            Style::Chicago,
            $translated,
            'Osei, Maren. The Long Tide. Translated by Juno Pike. Low Tide Books, 2019.',
        ];
        yield 'Chicago, no date' => [Style::Chicago, $titles['no date'], 'Osei, Maren. Salt. Low Tide Books, n.d.'];
        yield 'Chicago, editors' => [
            Style::Chicago,
            $titles['editors'],
            'Osei, Maren, and Juno Pike, eds. Songs of the quay. Low Tide Books, 2019.',
        ];
        yield 'Harvard, one author' => [
            Style::Harvard,
            $titles['one author'],
            'Osei, M. (2019) The long tide. Low Tide Books.',
        ];
        yield 'Harvard, two authors, edition' => [
            Style::Harvard,
            $titles['two authors and a subtitle'],
            'Osei, M. and Pike, J.B. (2019) Salt: A history. 2nd edn. Low Tide Books.',
        ];
        yield 'Harvard, four and more' => [
            Style::Harvard,
            $titles['seven authors'],
            'Quella, A.L. et al. (2019) Salt. Low Tide Books.',
        ];
        yield 'Harvard, editors' => [
            Style::Harvard,
            $titles['editors'],
            'Osei, M. and Pike, J. (eds) (2019) Songs of the quay. Low Tide Books.',
        ];
        yield 'Harvard, no date' => [Style::Harvard, $titles['no date'], 'Osei, M. (no date) Salt. Low Tide Books.'];
        yield 'ASA, one author' => [
            Style::Asa,
            $titles['one author'],
            'Osei, Maren. 2019. The long tide. Low Tide Books.',
        ];
        yield 'ASA, two authors' => [
            Style::Asa,
            $titles['two authors and a subtitle'],
            'Osei, Maren, and Juno Beatriz Pike. 2019. Salt: A history. 2nd ed. Low Tide Books.',
        ];
        yield 'ASA, editors' => [
            Style::Asa,
            $titles['editors'],
            'Osei, Maren, and Juno Pike, eds. 2019. Songs of the quay. Low Tide Books.',
        ];
    }

    #[DataProvider('guides')]
    public function test_entries_have_the_form_that_the_guide_prints(
        Style $style,
        CitedTitle $title,
        string $entry,
    ): void {
        $this->assertSame($entry, Reference::text($title, $style));
    }

    public function test_titles_are_set_in_italics_and_nothing_else_is_markup(): void
    {
        $title = new CitedTitle(
            'x',
            Format::Ebook,
            'Salt & <b>light</b>',
            ['author' => [new Name('Osei', 'Maren')]],
            publisher: 'Ropewalk & Daughters',
            published: '2019',
        );
        $this->assertSame(
            'Osei, M. (2019). <i>Salt &amp; &lt;b&gt;light&lt;/b&gt;</i>. Ropewalk &amp; Daughters.',
            Reference::html($title, Style::Apa),
        );
    }

    public function test_ris_is_read_as_it_was_meant(): void
    {
        $titles = [
            ...array_values(self::titles()),
            new CitedTitle(
                'odd',
                Format::Audiobook,
                "Two\nlines  - of it",
                ['author' => [new Name('Ósei', 'Márén')], 'narrator' => [new Name('Oro', 'Liv')]],
                published: '2019-05',
                isbn: '9780306406157',
                language: 'en',
                series: 'Tides',
                seriesPosition: '2',
                address: 'http://127.0.0.1/titles/7',
            ),
        ];
        $read = self::node(
            "await import('@citation-js/plugin-ris'); console.log(JSON.stringify(new Cite(given).data))",
            implode('', array_map(Ris::of(...), $titles)),
        );
        $this->assertCount(count($titles), $read);
        foreach ($titles as $n => $title) {
            $this->assertSame(trim((string) preg_replace('/\s+/', ' ', $title->fullName())), $read[$n]['title']);
            $this->assertSame(
                $title->year(),
                isset($read[$n]['issued']) ? (string) $read[$n]['issued']['date-parts'][0][0] : null,
            );
            $this->assertSame(
                array_map(fn(Name $name): string => $name->family, $title->makers()),
                array_map(fn(array $name): string => $name['family'] ?? $name['literal'], $read[$n]['author'] ?? []),
            );
            $this->assertSame($title->format === Format::Music, $read[$n]['type'] === 'song', 'an album is sound');
        }
        $this->assertSame(
            ['9780306406157', 'Tides', 'http://127.0.0.1/titles/7'],
            [
                $read[count($titles) - 1]['ISBN'],
                $read[count($titles) - 1]['container-title'] ?? $read[count($titles) - 1]['collection-title'],
                $read[count($titles) - 1]['URL'],
            ],
        );
    }

    public function test_bibtex_is_read_as_it_was_meant(): void
    {
        $titles = [
            ...array_values(self::titles()),
            new CitedTitle(
                'odd',
                Format::Ebook,
                'Salt & 50% {of} it_all #1 $5',
                ['author' => [new Name('Ósei', 'Márén'), new Name('Harbour and Quay Office')]],
                publisher: 'Ropewalk & Daughters',
                published: '2019-05',
                isbn: '9780306406157',
                series: 'Tides',
                seriesPosition: '2',
            ),
        ];
        $read = self::node(
            "await import('@citation-js/plugin-bibtex'); console.log(JSON.stringify(new Cite(given).data))",
            implode("\n", array_map(BibTex::of(...), $titles)),
        );
        $this->assertCount(count($titles), $read);
        foreach ($titles as $n => $title) {
            $this->assertSame($title->key, $read[$n]['citation-key'] ?? $read[$n]['id']);
            $this->assertSame($title->fullName(), strip_tags($read[$n]['title']));
            $this->assertSame($title->publisher, $read[$n]['publisher']);
            $this->assertSame(
                array_map(fn(Name $name): string => $name->family, $title->makers()),
                array_map(
                    fn(array $name): string => $name['family'] ?? $name['literal'],
                    $read[$n]['author'] ?? ($read[$n]['editor'] ?? []),
                ),
            );
        }
    }
}

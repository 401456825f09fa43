<?php

declare(strict_types=1);

namespace FigPorch\Demo;

use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Record;
use Illuminate\Support\Str;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * The invented part of the demo's catalogue: short ebooks with a text of their own, and records of audiobooks,
 * magazines, music and video. The same every time.
 */
final class TextGenerator
{
    private const FIRST = [
        'Odalys',
        'Maren',
        'Lior',
        'Oskar',
        'Juno',
        'Beatriz',
        'Tamsin',
        'Idris',
        'Sunniva',
        'Corwin',
        'Nerys',
        'Halvard',
        'Ysolde',
        'Ambrose',
        'Kittura',
        'Roan',
        'Perpetua',
        'Silas',
        'Wilhelmina',
        'Anselm',
        'Dorothea',
        'Lucan',
        'Imogen',
        'Tove',
        'Evander',
        'Marisol',
        'Caspian',
        'Brona',
        'Piers',
        'Zenobia',
    ];

    private const LAST = [
        'Venn',
        'Osei',
        'Castellane',
        'Penhale',
        'Pike',
        'Oro',
        'Dray',
        'Quillfeather',
        'Marrable',
        'Lantry',
        'Brack',
        'Harrowgate',
        'Tolliver',
        'Ebbing',
        'Okoro-Hale',
        'Saltash',
        'Winterbourne',
        'Kestrel',
        'Fennimore',
        'Gullick',
        'Abara',
        'Lindqvist-Roe',
        'Thistle-Moon',
        'Pellam',
        'Sorrel',
        'Varga-Wick',
        'Nightjar-Ode',
        'Coppergate-Yarrow',
        'Strand',
        'Hollis-Bay',
    ];

    private const PUBLISHERS = [
        'Gullwing Press',
        'Cinder Point Editions',
        'Low Tide Books',
        'Ropewalk & Daughters',
        'Larkspur House',
        'The Beacon Imprint',
    ];

    private const ADJECTIVES = [
        'Salt',
        'Silent',
        'Long',
        'Crooked',
        'Copper',
        'Winter',
        'Second',
        'Borrowed',
        'Northern',
        'Hidden',
        'Amber',
        'Restless',
        'Painted',
        'Patient',
        'Drowned',
        'Paper',
        'Wandering',
        'Broken',
        'Quiet',
        'Last',
    ];

    private const NOUNS = [
        'Lantern',
        'Harbour',
        'Ferry',
        'Tide',
        'Causeway',
        'Orchard',
        'Ledger',
        'Bell',
        'Compass',
        'Heron',
        'Lighthouse',
        'Letter',
        'Reef',
        'Chart',
        'Keeper',
        'Storm',
        'Island',
        'Anchor',
        'Garden',
        'Map',
        'Choir',
        'Mast',
        'Window',
        'Kite',
    ];

    private const PLACES = [
        'Saltmere',
        'Cinder Point',
        'Larkspur Ferry',
        'Hollow Tor',
        'Gannet Stairs',
        'Ember Quay',
        'the Far Skerries',
        'Wick Island',
        'Dunlin Sound',
    ];

    private const FICTION = [
        'Mystery',
        'Sea and coast',
        'Family life',
        'Historical fiction',
        'Adventure',
        'Comedy',
        'Ghost stories',
        'Islands',
    ];

    private const FACTS = [
        'Boats and craft',
        'Birds',
        'Cooking',
        'Gardening',
        'Weather',
        'Local history',
        'Navigation',
        'Music making',
        'Folklore',
        'Astronomy',
    ];

    private const AWARDS = ['Beacon Prize', 'Voice of the Islands', 'Larkspur Medal'];

    private const OPENINGS = [
        'The morning boat to {place} was late again, and {name} used the hour to count what could go wrong.',
        'Nobody in {place} would say who had lit the {noun}, so {name} began to ask.',
        '{name} had been told three things about the {noun}, and two of them were lies.',
        'When the fog came down on {place}, {name} was the only one still on the quay.',
        'It was the year the herring did not come, and {name} had just turned {age}.',
    ];

    private const SENTENCES = [
        'The wind went round to the north and stayed there.',
        'Somebody had left a {noun} on the step, wrapped in oilcloth.',
        '{name} wrote it down, crossed it out and wrote it down again.',
        'From the wall you could see as far as {place} on a clear day, and this was not one.',
        '“You will want a lamp,” said {other}, and would not say why.',
        'There were {age} steps to the top, and each of them had an opinion.',
        '{other} laughed, which was worse than if {other} had shouted.',
        'By evening the whole of {place} knew, or said it did.',
        'The {noun} was older than the house and a good deal better kept.',
        'They ate bread and smoked fish and did not talk about it.',
        'A gull walked the length of the rail as if it had paid for the view.',
        '{name} thought of the {noun} and of the promise that went with it.',
        'It rained in the manner of {place}: sideways, and with conviction.',
        '“Ask me tomorrow,” said {other}; but tomorrow the ferry did not run.',
        'What the tide takes it brings back, though seldom to the same door.',
        'In the margin, in a hand {name} knew, were the words: not yet.',
        'The bell was rung twice for a birth, once for a death, and never for luck.',
        '{other} had kept the key for {age} years without once trying it.',
    ];

    private const CHAPTERS = [
        'The {noun}',
        'What {other} Saw',
        'A Light at {place}',
        'Low Water',
        'The Way Back',
        'Two Letters',
        'The {adjective} {noun}',
        'Before the Ferry',
        'An Answer',
    ];

    private Randomizer $random;

    /** @var list<array{name: string, sort: string}> */
    private array $authors = [];

    public function __construct(int $seed = 2026)
    {
        $this->random = new Randomizer(new Xoshiro256StarStar($seed));
        foreach (self::LAST as $i => $last) {
            foreach ([0, 11] as $shift) {
                $first = self::FIRST[($i * 7 + $shift) % count(self::FIRST)];
                $this->authors[] = ['name' => "{$first} {$last}", 'sort' => "{$last}, {$first}"];
            }
        }
    }

    /** @return list<Book> */
    public function books(int $count): array
    {
        $books = $writers = $written = [];
        $titles = $this->titles($count);
        foreach ($titles as $i => $title) {
            $facts = $i % 4 === 3;
            $audience = match (true) {
                $i % 11 === 5 => 'child',
                $i % 7 === 2 => 'teen',
                default => 'adult',
            };
            $author = $this->authors[$this->skewed(count($this->authors))];
            $series =
                $i % 9 < 3 && !$facts
                    ? ucfirst((string) preg_replace('/^the /', '', $this->pick(self::PLACES))) . ' Chronicles'
                    : null;
            if ($series !== null) {
                $author = $writers[$series] ??= $author;
                $written[$series] = ($written[$series] ?? 0) + 1;
            }
            $hero = $this->pick(self::FIRST);
            $books[] = new Book(
                title: $facts ? $this->factTitle($i) : $title,
                creators: [[...$author, 'role' => 'aut']],
                isbn: DemoEbooks::isbn(1000 + $i),
                chapters: $this->chapters($hero, $this->between(3, 6)),
                description: $this->description($hero, $facts),
                publisher: $this->pick(self::PUBLISHERS),
                published: (string) $this->between(2009, 2026),
                subjects: $facts
                    ? ['Non-fiction', $this->pick(self::FACTS)]
                    : array_values(array_unique(['Fiction', $this->pick(self::FICTION), $this->pick(self::FICTION)])),
                audience: $audience,
                series: $series,
                seriesPosition: $written[$series ?? ''] ?? 1,
                withPages: $i % 2 === 0,
                ages: match ($audience) {
                    'child' => ['3-5', '6-8', '9-12'][intdiv($i, 11) % 3],
                    'teen' => ['12-14', '15-17'][intdiv($i, 7) % 2],
                    default => null,
                },
            );
        }

        return $books;
    }

    /**
     * @param  list<Book>  $books  some of which get a reading
     * @return list<Record>
     */
    public function records(array $books): array
    {
        $records = [];
        foreach ($books as $i => $book) {
            if ($i % 2 === 0) {
                $narrator = $this->authors[$this->between(0, 19)];
                $records[] = $this->record(
                    $book,
                    "audiobook:{$i}",
                    Format::Audiobook,
                    $this->between(3 * 3600, 14 * 3600),
                    [...$narrator, 'role' => 'narrator'],
                );
            }
        }
        foreach (
            [
                'Tide & Timber',
                'The Lantern Quarterly',
                'Coast Kitchen',
                'Small Boat',
                'The Islands Gardener',
                'Night Sky North',
            ]
            as $m => $magazine
        ) {
            for ($issue = 1; $issue <= 8; $issue++) {
                $records[] = new Record(
                    key: "demo:magazine:{$m}:{$issue}",
                    format: Format::Magazine,
                    name: $magazine,
                    contributors: [],
                    extent: $this->between(36, 84),
                    edition: 'Issue ' . (10 + $issue),
                    language: 'en',
                    description: 'Issue ' .
                        (10 + $issue) .
                        " of {$magazine}, from {$this->pick(self::PLACES)}: {$this->pick(self::FACTS)}, {$this->pick(
                            self::FACTS,
                        )} and letters.",
                    publisher: self::PUBLISHERS[$m],
                    published: sprintf('%d-%02d', 2025 + intdiv($issue, 5), ($issue % 4) * 3 + 1),
                    subjects: ['Non-fiction', self::FACTS[$m % count(self::FACTS)]],
                    series: $magazine,
                    seriesPosition: 10 + $issue,
                );
            }
        }
        for ($i = 0; $i < 36; $i++) {
            $artist = $this->authors[$this->between(0, 40)];
            $records[] = new Record(
                key: "demo:music:{$i}",
                format: Format::Music,
                name: $this->pick(self::NOUNS) .
                    ' ' .
                    $this->pick(['Songs', 'Airs', 'Nocturnes', 'Reels', 'Suite', 'Sketches']) .
                    ', ' .
                    $this->pick([
                        'Book One',
                        'Live at ' . $this->pick(self::PLACES),
                        'for Two Fiddles',
                        'at Low Water',
                    ]),
                contributors: [
                    [
                        'name' => $artist['name'],
                        'sort' => $artist['sort'],
                        'role' => $i % 3 === 0 ? 'composer' : 'artist',
                    ],
                ],
                extent: ($tracks = $this->between(7, 16)),
                language: $i % 6 === 0 ? 'es' : 'en',
                description: "Recorded in the old chapel at {$this->pick(self::PLACES)}.",
                publisher: 'Foghorn Records',
                published: (string) $this->between(2012, 2026),
                subjects: ['Music', $this->pick(['Songs', 'Dance tunes', 'Chamber music', 'Choirs'])],
                seconds: $tracks * $this->between(170, 290),
            );
        }
        for ($i = 0; $i < 26; $i++) {
            $director = $this->authors[$this->between(0, 50)];
            $records[] = new Record(
                key: "demo:video:{$i}",
                format: Format::Video,
                name: (string) preg_replace(
                    '/^A (?=[AEIOU])/',
                    'An ',
                    $this->pick(['The ', 'A ', 'One ']) .
                        $this->pick(self::ADJECTIVES) .
                        ' ' .
                        $this->pick(self::NOUNS),
                ),
                contributors: [['name' => $director['name'], 'sort' => $director['sort'], 'role' => 'director']],
                extent: $this->between(1400, 7200),
                language: 'en',
                audience: $i % 5 === 0 ? Audience::Child : Audience::Adult,
                description: "Filmed over a year at {$this->pick(self::PLACES)}. {$this->sentence(
                    $this->pick(self::FIRST),
                )}",
                publisher: 'Skerry Films',
                published: (string) $this->between(2014, 2026),
                subjects: ['Film', $this->pick([...self::FICTION, ...self::FACTS])],
            );
        }

        return $records;
    }

    /** @param  array{name: string, sort: string, role: string}  $narrator */
    private function record(Book $book, string $key, Format $format, int $extent, array $narrator): Record
    {
        $authors = array_map(
            fn(array $c): array => ['name' => $c['name'], 'sort' => $c['sort'], 'role' => 'author'],
            $book->creators,
        );

        return new Record(
            key: "demo:{$key}",
            format: $format,
            name: $book->title,
            contributors: [...$authors, $narrator],
            extent: $extent,
            language: $book->language,
            audience: Audience::from($book->audience),
            description: $book->description,
            publisher: $book->publisher,
            published: $book->published,
            subjects: $book->subjects,
            series: $book->series,
            seriesPosition: $book->series === null ? null : (float) $book->seriesPosition,
            awards: $extent % 9 === 0 ? [self::AWARDS[intdiv($extent, 9) % 3]] : [],
        );
    }

    /** @return list<string> different from one another */
    private function titles(int $count): array
    {
        $titles = [];
        while (count($titles) < $count) {
            $title = match ($this->between(0, 4)) {
                0 => 'The ' . $this->pick(self::ADJECTIVES) . ' ' . $this->pick(self::NOUNS),
                1 => 'The ' . $this->pick(self::NOUNS) . ' at ' . ucfirst($this->pick(self::PLACES)),
                2 => $this->pick(self::NOUNS) . ' and ' . $this->pick(self::NOUNS),
                3 => 'A ' .
                    $this->pick(['Field', 'House', 'Year', 'Season', 'Bowl', 'Map']) .
                    ' of ' .
                    Str::plural($this->pick(self::NOUNS)),
                default => $this->pick(self::FIRST) .
                    ' and the ' .
                    $this->pick(self::ADJECTIVES) .
                    ' ' .
                    $this->pick(self::NOUNS),
            };
            $titles[$title] = $title;
        }

        return array_values($titles);
    }

    private function factTitle(int $i): string
    {
        $subject = self::FACTS[$i % count(self::FACTS)];

        return $this->pick(['A Short Guide to ', 'Plain ', 'Notes on ', 'First Steps in ', 'The Islander’s ']) .
            $subject .
            ', ' .
            $this->pick(self::PLACES);
    }

    private function description(string $hero, bool $facts): string
    {
        return $facts
            ? "What three generations of {$this->pick(
                self::PLACES,
            )} learned the slow way, set down for those in a hurry. With lists, warnings and one good story."
            : $this->fill($this->pick(self::OPENINGS), $hero) .
                    ' ' .
                    $this->pick([
                        'A novel of debts, weather and second chances.',
                        'A story about what a small place remembers.',
                        'The first question is who; the harder one is why now.',
                        'Funny, salty and kind.',
                    ]);
    }

    /** @return list<array{title: string, html: string}> */
    private function chapters(string $hero, int $count): array
    {
        $chapters = [];
        for ($n = 1; $n <= $count; $n++) {
            $title = $this->fill($this->pick(self::CHAPTERS), $hero);
            $html = "<h1>{$n}. {$title}</h1>";
            for ($p = $this->between(8, 14); $p > 0; $p--) {
                $sentences = $p % 5 === 0 ? [$this->fill($this->pick(self::OPENINGS), $hero)] : [];
                for ($s = $this->between(3, 7); $s > 0; $s--) {
                    $sentences[] = $this->sentence($hero);
                }
                $html .= '<p>' . implode(' ', $sentences) . '</p>';
            }
            $chapters[] = ['title' => "{$n}. {$title}", 'html' => $html];
        }

        return $chapters;
    }

    /** @return list<string> a few sentences about somebody */
    public function talk(int $sentences): array
    {
        $hero = $this->pick(self::FIRST);

        return array_map(fn(): string => $this->sentence($hero), range(1, $sentences));
    }

    /** What a piece of music, or a piece in a magazine, may be called. */
    public function pieceName(): string
    {
        return $this->pick(['The ', '']) . $this->pick(self::ADJECTIVES) . ' ' . $this->pick(self::NOUNS);
    }

    public function personName(): string
    {
        return $this->authors[$this->between(0, count($this->authors) - 1)]['name'];
    }

    private function sentence(string $hero): string
    {
        return $this->fill($this->pick(self::SENTENCES), $hero);
    }

    private function fill(string $text, string $hero): string
    {
        return ucfirst(
            strtr($text, [
                '{name}' => $hero,
                '{other}' => $this->pick(self::FIRST),
                '{place}' => $this->pick(self::PLACES),
                '{noun}' =>
                    str_starts_with($text, '{noun}') || str_contains($text, 'The {')
                        ? $this->pick(self::NOUNS)
                        : lcfirst($this->pick(self::NOUNS)),
                '{adjective}' => $this->pick(self::ADJECTIVES),
                '{age}' => (string) $this->between(9, 41),
            ]),
        );
    }

    /**
     * @template T
     *
     * @param  non-empty-list<T>  $from
     * @return T
     */
    private function pick(array $from): mixed
    {
        return $from[$this->between(0, count($from) - 1)];
    }

    private function between(int $low, int $high): int
    {
        return $this->random->getInt($low, $high);
    }

    /** Small numbers more often: a few authors wrote much. */
    private function skewed(int $below): int
    {
        return intdiv($this->between(0, $below - 1) * $this->between(0, $below - 1), $below);
    }
}

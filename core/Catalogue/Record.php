<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

use InvalidArgumentException;

/** A catalogue record: one edition in one format, as a file or a supplier describes it. */
final readonly class Record
{
    /** Letters that are kept of what is one line; of a person both the name and how it sorts. */
    public const LETTERS = [
        'key' => 120,
        'name' => 500,
        'subtitle' => 500,
        'edition' => 255,
        'language' => 16,
        'publisher' => 255,
        'series' => 255,
        'person' => 255,
        'subject' => 255,
        'award' => 255,
        'identifier' => 255,
        'work' => 255,
    ];

    /** What is kept of what is given, the first first; of a description, letters. */
    public const MOST = [
        'contributors' => 200,
        'identifiers' => 50,
        'subjects' => 100,
        'awards' => 50,
        'works' => 10,
        'description' => 20_000,
    ];

    public string $key;

    public string $name;

    public ?string $subtitle;

    public ?string $edition;

    public ?string $language;

    public ?string $publisher;

    public ?string $series;

    /** @var list<array{name: string, sort: string, role: string}> */
    public array $contributors;

    /** @var list<string> */
    public array $identifiers;

    /** @var list<string> */
    public array $subjects;

    /** @var list<string> */
    public array $awards;

    /** @var list<string> */
    public array $works;

    public ?string $description;

    public ?float $seriesPosition;

    /**
     * @param  string  $key  where the record came from; the same key twice means the same title
     * @param  list<array{name: string, sort: string, role: string}>  $contributors
     * @param  list<string>  $identifiers
     * @param  list<string>  $subjects
     * @param  string|null  $published  year, year-month or whole ISO 8601 date
     * @param  int  $extent  pages of an ebook or a magazine, tracks of music, seconds of an audiobook or a video
     * @param  int|null  $seconds  playing time of music
     * @param  array<string, list<string>>  $accessibility
     * @param  list<string>  $awards
     * @param  float|null  $level  reading grade level
     * @param  AgeRange|null  $ages  of readers it is made for, where the record says
     * @param  list<Holding>  $holdings  where it stands on paper in the library that the record is of
     * @param  list<WebLink>  $links  where it is on the web
     * @param  list<Price>  $prices  for which a supplier gives it, one of each currency
     * @param  string|null  $availableFrom  whole ISO 8601 date before which it is not had
     * @param  list<string>  $works  as WorkIdentifier has them: what all editions of its work have in common
     */
    public function __construct(
        string $key,
        public Format $format,
        string $name,
        array $contributors,
        public int $extent,
        ?string $subtitle = null,
        ?string $edition = null,
        ?string $language = null,
        public Audience $audience = Audience::Adult,
        ?string $description = null,
        ?string $publisher = null,
        public ?string $published = null,
        array $identifiers = [],
        array $subjects = [],
        ?string $series = null,
        ?float $seriesPosition = null,
        public ?int $seconds = null,
        public array $accessibility = [],
        array $awards = [],
        public ?float $level = null,
        public ?AgeRange $ages = null,
        public array $holdings = [],
        public array $links = [],
        public array $prices = [],
        public ?string $availableFrom = null,
        array $works = [],
    ) {
        if (trim($name) === '' || $key === '' || $extent < 0) {
            throw new InvalidArgumentException('A record has a key, a name and an extent.');
        }
        if ($published !== null && PublicationDate::read($published) !== $published) {
            throw new InvalidArgumentException("'{$published}' is not a year, a year and month, or a date.");
        }
        $this->key = self::cut($key, 'key');
        $this->name = self::cut($name, 'name');
        $this->subtitle = self::line($subtitle, 'subtitle');
        $this->edition = self::line($edition, 'edition');
        $this->language = self::line($language, 'language');
        $this->publisher = self::line($publisher, 'publisher');
        $this->series = self::line($series, 'series');
        $this->seriesPosition = SeriesPosition::read($seriesPosition);
        $this->contributors = array_slice(self::people($contributors), 0, self::MOST['contributors']);
        $this->identifiers = array_slice(self::lines($identifiers, 'identifier'), 0, self::MOST['identifiers']);
        $this->subjects = array_slice(self::lines($subjects, 'subject'), 0, self::MOST['subjects']);
        $this->awards = array_slice(self::lines($awards, 'award'), 0, self::MOST['awards']);
        $this->works = array_slice(self::lines($works, 'work'), 0, self::MOST['works']);
        $this->description =
            $description === null || Filler::is($description)
                ? null
                : mb_substr($description, 0, self::MOST['description']);
    }

    private static function cut(string $text, string $of): string
    {
        return mb_substr($text, 0, self::LETTERS[$of]);
    }

    /** Where nothing is left, nothing was said. */
    private static function line(?string $text, string $of): ?string
    {
        return $text === null || trim($text) === '' ? null : self::cut($text, $of);
    }

    /**
     * @param  list<string>  $texts
     * @return list<string> each once
     */
    private static function lines(array $texts, string $of): array
    {
        $lines = array_map(fn(string $text): string => self::cut($text, $of), $texts);

        return array_values(array_unique(array_filter($lines, fn(string $line): bool => trim($line) !== '')));
    }

    /**
     * @param  list<array{name: string, sort: string, role: string}>  $contributors
     * @return list<array{name: string, sort: string, role: string}> those that have a name, each once in a role
     */
    private static function people(array $contributors): array
    {
        $people = [];
        foreach ($contributors as $of) {
            $name = self::cut($of['name'], 'person');
            if (trim($name) !== '' && !Filler::is($name)) {
                $sort = trim($of['sort']) === '' ? $name : self::cut($of['sort'], 'person');
                $people["{$of['role']} {$name}"] ??= ['name' => $name, 'sort' => $sort, 'role' => $of['role']];
            }
        }

        return array_values($people);
    }

    /**
     * The same record with other names.
     *
     * @param  callable(string, string): string  $name  the name for 'person', 'series' or 'subject', and one as it
     *     stands
     */
    public function renamed(callable $name): self
    {
        return new self(
            key: $this->key,
            format: $this->format,
            name: $this->name,
            contributors: array_map(
                fn(array $of): array => ['name' => $name('person', $of['name'])] + $of,
                $this->contributors,
            ),
            extent: $this->extent,
            subtitle: $this->subtitle,
            edition: $this->edition,
            language: $this->language,
            audience: $this->audience,
            description: $this->description,
            publisher: $this->publisher,
            published: $this->published,
            identifiers: $this->identifiers,
            subjects: array_values(
                array_unique(array_map(fn(string $of): string => $name('subject', $of), $this->subjects)),
            ),
            series: $this->series === null ? null : $name('series', $this->series),
            seriesPosition: $this->seriesPosition,
            seconds: $this->seconds,
            accessibility: $this->accessibility,
            awards: $this->awards,
            level: $this->level,
            ages: $this->ages,
            holdings: $this->holdings,
            links: $this->links,
            prices: $this->prices,
            availableFrom: $this->availableFrom,
            works: $this->works,
        );
    }

    /** The same record by another key. */
    public function known(string $key): self
    {
        return $this->standing($key, $this->holdings, $this->links, $this->prices, $this->availableFrom);
    }

    /**
     * The same record, of a library that has it there.
     *
     * @param  list<Holding>  $holdings
     * @param  list<WebLink>  $links
     */
    public function at(array $holdings, array $links): self
    {
        return $this->standing($this->key, $holdings, $links, $this->prices, $this->availableFrom);
    }

    /**
     * The same record, at these prices and from this day on.
     *
     * @param  list<Price>  $prices
     */
    public function supplied(array $prices, ?string $availableFrom): self
    {
        return $this->standing($this->key, $this->holdings, $this->links, $prices, $availableFrom);
    }

    /**
     * @param  list<Holding>  $holdings
     * @param  list<WebLink>  $links
     * @param  list<Price>  $prices
     */
    private function standing(string $key, array $holdings, array $links, array $prices, ?string $availableFrom): self
    {
        return new self(
            key: $key,
            format: $this->format,
            name: $this->name,
            contributors: $this->contributors,
            extent: $this->extent,
            subtitle: $this->subtitle,
            edition: $this->edition,
            language: $this->language,
            audience: $this->audience,
            description: $this->description,
            publisher: $this->publisher,
            published: $this->published,
            identifiers: $this->identifiers,
            subjects: $this->subjects,
            series: $this->series,
            seriesPosition: $this->seriesPosition,
            seconds: $this->seconds,
            accessibility: $this->accessibility,
            awards: $this->awards,
            level: $this->level,
            ages: $this->ages,
            holdings: $holdings,
            links: $links,
            prices: $prices,
            availableFrom: $availableFrom,
            works: $this->works,
        );
    }

    public function isbn(): ?Isbn
    {
        foreach ($this->identifiers as $identifier) {
            $isbn = Isbn::parse($identifier);
            if ($isbn !== null) {
                return $isbn;
            }
        }

        return null;
    }

    /** @return list<Identifier> its standard numbers, each once */
    public function numbers(): array
    {
        $numbers = [];
        foreach ($this->identifiers as $text) {
            $number = Identifier::parse($text);
            if ($number !== null) {
                $numbers[$number->number] = $number;
            }
        }

        return array_values($numbers);
    }

    /** The same for every edition and format of one work: folded name and first contributor. */
    public function workKey(): string
    {
        $isIssue = $this->format === Format::Magazine;

        return mb_substr(SearchWords::fold($this->name), 0, $isIssue ? 400 : 500) .
            '|' .
            mb_substr(SearchWords::fold($this->contributors[0]['name'] ?? ''), 0, 190) .
            // Issues of a magazine have its name in common, not a work.
            ($isIssue ? '|' . mb_substr(SearchWords::fold((string) $this->edition), 0, 100) : '');
    }
}

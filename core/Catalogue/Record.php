<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

use InvalidArgumentException;

/** A catalogue record: one edition in one format, as a file or a supplier describes it. */
final readonly class Record
{
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
     */
    public function __construct(
        public string $key,
        public Format $format,
        public string $name,
        public array $contributors,
        public int $extent,
        public ?string $subtitle = null,
        public ?string $edition = null,
        public ?string $language = null,
        public Audience $audience = Audience::Adult,
        public ?string $description = null,
        public ?string $publisher = null,
        public ?string $published = null,
        public array $identifiers = [],
        public array $subjects = [],
        public ?string $series = null,
        public ?float $seriesPosition = null,
        public ?int $seconds = null,
        public array $accessibility = [],
        public array $awards = [],
        public ?float $level = null,
        public ?AgeRange $ages = null,
    ) {
        if (trim($name) === '' || $key === '' || $extent < 0) {
            throw new InvalidArgumentException('A record has a key, a name and an extent.');
        }
        if ($published !== null && PublicationDate::read($published) !== $published) {
            throw new InvalidArgumentException("'{$published}' is not a year, a year and month, or a date.");
        }
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
        return mb_substr(SearchWords::fold($this->name), 0, 500) .
            '|' .
            mb_substr(SearchWords::fold($this->contributors[0]['name'] ?? ''), 0, 190) .
            // Issues of a magazine have its name in common, not a work.
            ($this->format === Format::Magazine
                ? '|' . mb_substr(SearchWords::fold((string) $this->edition), 0, 100)
                : '');
    }
}

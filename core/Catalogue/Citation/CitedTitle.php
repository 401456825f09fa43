<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Citation;

use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;

/** What a citation can say of a title. */
final readonly class CitedTitle
{
    /**
     * @param  string  $key  unlike any other's, of letters, digits and hyphens
     * @param  array<string, list<Name>>  $people  by role, in order
     * @param  string|null  $published  year, year-month or whole ISO 8601 date
     * @param  string|null  $address  where it can be found
     * @param  int|null  $pages  of an ebook or a magazine
     * @param  int|null  $seconds  of an audiobook, music or a video
     * @param  DateTimeImmutable|null  $accessed  the day on which it is cited, of what is read on line
     * @param  string  $letter  after the year, of several of the same people and year (Bibliography)
     */
    public function __construct(
        public string $key,
        public Format $format,
        public string $name,
        public array $people = [],
        public ?string $subtitle = null,
        public ?string $edition = null,
        public ?string $publisher = null,
        public ?string $published = null,
        public ?string $isbn = null,
        public ?string $language = null,
        public ?string $series = null,
        public ?string $seriesPosition = null,
        public ?string $address = null,
        public ?int $pages = null,
        public ?int $seconds = null,
        public ?DateTimeImmutable $accessed = null,
        public string $letter = '',
    ) {}

    /** @return list<Name> those in whose name it goes: authors, or who else made it */
    public function makers(): array
    {
        foreach (['author', 'artist', 'composer', 'director', 'editor'] as $role) {
            if (($this->people[$role] ?? []) !== []) {
                return $this->people[$role];
            }
        }

        return [];
    }

    /** @return list<Name> */
    public function of(string $role): array
    {
        return $this->people[$role] ?? [];
    }

    /** Whether it goes in the name of those who edited it. */
    public function isEdited(): bool
    {
        return $this->makers() !== [] && $this->makers() === $this->of('editor');
    }

    public function year(): ?string
    {
        return $this->published === null ? null : substr($this->published, 0, 4);
    }

    /** Its address, of what is read, heard or watched there; what stands on paper is not. */
    public function placeOnline(): ?string
    {
        return $this->format === Format::Paper ? null : $this->address;
    }

    /**
     * The day on which it was read there, as a style writes days; null of what stands on paper, or where none is known.
     */
    public function accessed(string $format): ?string
    {
        return $this->placeOnline() === null ? null : $this->accessed?->format($format);
    }

    /** The issue that one of a magazine is; of anything else its edition is none. */
    public function issue(): ?string
    {
        return $this->format === Format::Magazine ? $this->edition : null;
    }

    /** The year as author and date cite it: 2019a. */
    public function citedYear(): ?string
    {
        return $this->year() === null ? null : $this->year() . $this->letter;
    }

    public function withLetter(string $letter): self
    {
        return new self(
            key: $this->key,
            format: $this->format,
            name: $this->name,
            people: $this->people,
            subtitle: $this->subtitle,
            edition: $this->edition,
            publisher: $this->publisher,
            published: $this->published,
            isbn: $this->isbn,
            language: $this->language,
            series: $this->series,
            seriesPosition: $this->seriesPosition,
            address: $this->address,
            pages: $this->pages,
            seconds: $this->seconds,
            accessed: $this->accessed,
            letter: $letter,
        );
    }

    /** Name and subtitle, as bibliographies write them. */
    public function fullName(): string
    {
        return $this->subtitle === null ? $this->name : rtrim($this->name, ' :') . ': ' . $this->subtitle;
    }
}

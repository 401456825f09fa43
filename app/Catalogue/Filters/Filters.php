<?php

declare(strict_types=1);

namespace App\Catalogue\Filters;

use App\Catalogue\BitmapIndex\IndexPart;
use App\Catalogue\Search\Facets;
use OutOfBoundsException;

/** All filters of one search, each with what is chosen of it. */
final readonly class Filters
{
    /** Every filter there is, in the order of the page. A new one is added here, and nowhere else. */
    public const ALL = [
        ReadyFilter::class,
        AlwaysFilter::class,
        OpensHereFilter::class,
        FormatFilter::class,
        AudienceFilter::class,
        AgeFilter::class,
        LanguageFilter::class,
        YearFilter::class,
        LevelFilter::class,
        SubjectFilter::class,
        SeriesFilter::class,
        AwardFilter::class,
        AuthorFilter::class,
        NarratorFilter::class,
        PublisherFilter::class,
    ];

    /** @var array<string, string> what is chosen, as it stands in the address; each link of a page asks for it */
    private array $written;

    /** @param  array<class-string<Filter>, Filter>  $all */
    private function __construct(private array $all)
    {
        $written = [];
        foreach ($all as $filter) {
            $written[$filter::name()] = $filter->written();
        }
        $this->written = array_filter($written, fn(string $value): bool => $value !== '');
    }

    /** @param  array<string, string>  $asked  values of a query string */
    public static function read(array $asked): self
    {
        return new self(
            array_map(fn(string $filter): Filter => $filter::read($asked), array_combine(self::ALL, self::ALL)),
        );
    }

    /**
     * @template F of Filter
     *
     * @param  class-string<F>  $kind
     * @return list<F> those of a kind
     */
    public function of(string $kind): array
    {
        return array_values(array_filter($this->all, fn(Filter $filter): bool => $filter instanceof $kind));
    }

    /**
     * @template F of Filter
     *
     * @param  class-string<F>  $filter
     * @return F
     */
    public function get(string $filter): Filter
    {
        /** @var F */
        return $this->all[$filter];
    }

    /**
     * @param  array<string, string>  $asked  values of a query string
     * @return list<string> what they ask for that no filter understands, by the headings of the filters
     */
    public function notUnderstood(array $asked): array
    {
        $not = array_filter(
            $this->all,
            fn(Filter $of): bool => ($asked[$of::name()] ?? '') !== '' && $of->written() === '',
        );

        return array_values(array_map(fn(Filter $of): string => $of->heading(), $not));
    }

    /**
     * What is ticked in a form, as an address has it.
     *
     * @param  callable(string): list<string>  $ticked  by the name of the boxes
     * @return array<string, string> by the name of the filter; nothing of those of which nothing is ticked
     */
    public static function ticked(callable $ticked): array
    {
        $written = [];
        foreach (self::ALL as $filter) {
            if (is_subclass_of($filter, ChoiceFilter::class)) {
                $written[$filter::name()] = implode(ChoiceFilter::SEPARATOR, $ticked($filter::boxes()));
            }
        }

        return self::read(array_filter($written, fn(string $of): bool => $of !== ''))->written();
    }

    /** @return array<string, string> what is chosen, as it stands in the address */
    public function written(): array
    {
        return $this->written;
    }

    /** @return list<Chip> what is chosen, in words */
    public function chips(Facets $facets): array
    {
        return array_merge(...array_values(array_map(fn(Filter $of): array => $of->chips($facets), $this->all)));
    }

    /** @return list<string> in the order of the page */
    public static function names(): array
    {
        return array_map(fn(string $filter): string => $filter::name(), self::ALL);
    }

    /** @return list<class-string<ListFilter>> those of many values */
    public static function lists(): array
    {
        return array_values(array_filter(self::ALL, fn(string $of): bool => is_subclass_of($of, ListFilter::class)));
    }

    /** @return class-string<ListFilter> the one of that name */
    public static function list(string $name): string
    {
        return array_column(
            array_map(fn(string $of): array => ['name' => $of::name(), 'of' => $of], self::lists()),
            'of',
            'name',
        )[$name] ?? throw new OutOfBoundsException("No list of values is called {$name}.");
    }

    /** @return list<class-string<ListFilter>> those of them whose commonest values are counted beside the results */
    public static function counted(): array
    {
        return array_values(array_filter(self::lists(), fn(string $of): bool => $of::OFFERED > 0));
    }

    /** @return array<string, Gathered> what is gathered for filters, by the kind of bitmap */
    public static function gathered(IndexPart $part): array
    {
        $all = [];
        foreach (self::ALL as $filter) {
            $all[$filter::kind()] = $filter::gathered();
        }

        /** @var array<string, Gathered> */
        return array_filter($all, fn(?Gathered $of): bool => $of?->part === $part);
    }

    /** @return list<string> kinds of bitmaps of which it can be asked which values there are */
    public static function listedKinds(): array
    {
        return array_keys(array_filter(self::gathered(IndexPart::Records), fn(Gathered $of): bool => $of->listed));
    }

    /** @return list<string> kinds of bitmaps of which it is written down how much they share with each subject */
    public static function withSharedCounts(): array
    {
        $with = array_filter(self::ALL, fn(string $filter): bool => $filter::hasSharedCounts());

        return array_map(fn(string $filter): string => $filter::kind(), array_values($with));
    }

    /** @return list<list<string>> names of bitmaps with shared counts, in one of each of which all is that is found */
    public function within(): array
    {
        $sharing = array_filter($this->all, fn(Filter $of): bool => $of::hasSharedCounts());

        return array_merge(...array_values(array_map(fn(Filter $of): array => $of->within(), $sharing)));
    }
}

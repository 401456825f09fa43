<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Catalogue\Filters\Filters;
use App\Catalogue\Filters\SeriesFilter;
use App\Lending\LoanRules\CardEligibility;
use FigPorch\Core\Catalogue\Query\Query;
use FigPorch\Core\Catalogue\Query\QueryParser;
use FigPorch\Core\Catalogue\Reach;

/** What a person asks of the catalogue. */
final readonly class SearchRequest
{
    public const ORDERS = ['relevance', 'newest', 'most_borrowed', 'title', 'series', 'soonest', 'list'];

    public string $words;

    public string $order;

    public Query $query;

    /**
     * @param  string  $order  empty for the one that suits
     * @param  array<int, CardEligibility>  $otherCards  what the person's cards elsewhere may borrow, by library
     * @param  string|null  $listWords  of a staff list made by a search
     * @param  int|null  $atLibraryId  one of those that count, and no other
     */
    private function __construct(
        public int $libraryId,
        string $typed,
        public Filters $filters,
        string $order,
        public CardEligibility $eligibility,
        public Reach $scope,
        public array $otherCards,
        public ?int $staffListId,
        public ?string $listWords,
        public ?int $atLibraryId,
    ) {
        $this->query = QueryParser::read($typed);
        $this->words = $words = mb_substr($typed, 0, QueryParser::MOST_CHARACTERS);
        $this->order = in_array($order, $this->orders(), true)
            ? $order
            : match (true) {
                $words !== '' => 'relevance',
                $filters->get(SeriesFilter::class)->isSet() => 'series',
                $staffListId !== null => $listWords === null ? 'list' : 'most_borrowed',
                default => 'newest',
            };
    }

    /** @return list<string> those that make sense here */
    public function orders(): array
    {
        return array_values(
            array_filter(
                self::ORDERS,
                fn(string $order): bool => match ($order) {
                    'relevance' => $this->words !== '',
                    'list' => $this->staffListId !== null && $this->listWords === null,
                    default => true,
                },
            ),
        );
    }

    /**
     * @param  array<string, string>  $asked  values of a query string
     * @param  array<int, CardEligibility>  $otherCards
     */
    public static function read(
        int $libraryId,
        array $asked,
        CardEligibility $eligibility,
        array $otherCards = [],
        ?string $listWords = null,
    ): self {
        $number = fn(string $name): ?int => preg_match('/^\d{1,9}$/D', $asked[$name] ?? '') === 1
            ? (int) $asked[$name]
            : null;

        return new self(
            libraryId: $libraryId,
            typed: $asked['q'] ?? '',
            filters: Filters::read($asked),
            order: $asked['order'] ?? '',
            eligibility: $eligibility,
            scope: Reach::tryFrom($asked['reach'] ?? '') ?? Reach::Library,
            otherCards: $otherCards,
            staffListId: $number('list'),
            listWords: $listWords,
            atLibraryId: isset(([$libraryId => 1] + $otherCards)[$number('at') ?? 0]) ? $number('at') : null,
        );
    }

    /**
     * The same search but for some values of its address.
     *
     * @param  array<string, string|null>  $changes  null takes a value away
     */
    public function changed(array $changes): self
    {
        return self::read(
            $this->libraryId,
            $this->with($changes),
            $this->eligibility,
            $this->otherCards,
            $this->listWords,
        );
    }

    /** The same with what the cards may never borrow, or null where nothing is left out. */
    public function withOlder(): ?self
    {
        $left = array_filter(
            $this->places(),
            fn(CardEligibility $eligibility): bool => $eligibility->listed() !== null,
        );

        return $left === []
            ? null
            : self::read(
                $this->libraryId,
                $this->with([]),
                $this->eligibility->withOlder(),
                array_map(fn(CardEligibility $of): CardEligibility => $of->withOlder(), $this->otherCards),
                $this->listWords,
            );
    }

    /**
     * @return non-empty-array<int, CardEligibility> the libraries whose titles count, and what may be borrowed there
     */
    public function places(): array
    {
        $places = [$this->libraryId => $this->eligibility] + ($this->scope === Reach::Library ? [] : $this->otherCards);
        $one =
            $this->scope === Reach::Cards && $this->atLibraryId !== null
                ? array_intersect_key($places, [$this->atLibraryId => 1])
                : [];

        return $one === [] ? $places : $one;
    }

    /** Whether something was typed and there is no word in it that could be looked for. */
    public function hasNoWord(): bool
    {
        return $this->words !== '' && $this->query->tree === null;
    }

    /** The words that find what somebody did in a role. */
    public static function byPerson(string $role, string $name): string
    {
        return (in_array($role, ['author', 'narrator'], true) ? $role : 'contributor') .
            ':"' .
            str_replace('"', '', $name) .
            '"';
    }

    /**
     * The same search with other filters, as a query string's values.
     *
     * @param  array<string, string|null>  $changes  null takes a value away
     * @return array<string, string>
     */
    public function with(array $changes): array
    {
        return array_filter(
            [
                ...$this->narrowing(),
                'q' => $this->words,
                'list' => $this->staffListId === null ? null : (string) $this->staffListId,
                'order' => $this->order,
                'reach' => $this->scope === Reach::Library ? null : $this->scope->value,
                ...$changes,
            ],
            fn(?string $value): bool => $value !== null && $value !== '',
        );
    }

    /** @return array<string, string> what narrows the search down, each by itself removable */
    public function narrowing(): array
    {
        $at = $this->scope === Reach::Cards && $this->atLibraryId !== null;

        return [...$this->filters->written(), ...$at ? ['at' => (string) $this->atLibraryId] : []];
    }
}

<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Lending\LoanRules\CardEligibility;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Query\Query;
use FigPorch\Core\Catalogue\Query\QueryParser;
use FigPorch\Core\Catalogue\Reach;

/** What a person asks of the catalogue. */
final readonly class SearchRequest
{
    public const ORDERS = ['relevance', 'newest', 'most_borrowed', 'title', 'series', 'soonest', 'list'];

    public string $order;

    public Query $query;

    /**
     * @param  list<int>  $subjects  a title has all of them
     * @param  array{int|null, int|null}  $years  from and to, both included
     * @param  array{int|null, int|null}  $levels  the same of whole reading grades
     * @param  array<int, CardEligibility>  $otherCards  what the person's cards elsewhere may borrow, by library
     * @param  string|null  $listWords  of a staff list made by a search
     * @param  list<string>  $awards  a title has all of them
     * @param  int|null  $atLibraryId  one of those that count, and no other
     */
    public function __construct(
        public int $libraryId,
        public string $words = '',
        public ?Format $format = null,
        public bool $readyNow = false,
        public ?int $staffListId = null,
        string $order = '',
        public CardEligibility $eligibility = new CardEligibility(),
        public ?Audience $audience = null,
        public ?string $language = null,
        public array $subjects = [],
        public array $years = [null, null],
        public array $levels = [null, null],
        public ?int $seriesId = null,
        public bool $alwaysReady = false,
        public Reach $scope = Reach::Library,
        public array $otherCards = [],
        public ?string $listWords = null,
        public array $awards = [],
        public ?int $atLibraryId = null,
    ) {
        $this->query = QueryParser::read($words);
        $this->order = in_array($order, $this->orders(), true)
            ? $order
            : match (true) {
                $words !== '' => 'relevance',
                $seriesId !== null => 'series',
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
        $number = fn(string $name, int $digits = 9): ?int => ctype_digit($asked[$name] ?? '') &&
        strlen($asked[$name]) <= $digits
            ? (int) $asked[$name]
            : null;

        return new self(
            $libraryId,
            mb_substr($asked['q'] ?? '', 0, 400),
            Format::tryFrom($asked['format'] ?? ''),
            ($asked['ready'] ?? '') === '1',
            $number('list'),
            $asked['order'] ?? '',
            $eligibility,
            Audience::tryFrom($asked['audience'] ?? ''),
            preg_match('/^[a-z]{2,8}$/', $asked['language'] ?? '') === 1 ? $asked['language'] : null,
            array_slice(
                array_values(
                    array_unique(
                        array_map(
                            intval(...),
                            array_filter(
                                explode(' ', strtr($asked['subjects'] ?? '', '.', ' ')),
                                fn(string $id): bool => ctype_digit($id) && strlen($id) < 10,
                            ),
                        ),
                    ),
                ),
                0,
                8,
            ),
            self::range($asked['year'] ?? '', $number('year_from', 4), $number('year_to', 4)),
            self::range($asked['level'] ?? '', $number('level_from', 4), $number('level_to', 4)),
            $number('series'),
            ($asked['always'] ?? '') === '1',
            Reach::tryFrom($asked['reach'] ?? '') ?? Reach::Library,
            $otherCards,
            $listWords,
            array_slice(
                array_values(array_unique(array_filter(array_map(trim(...), explode('||', $asked['awards'] ?? ''))))),
                0,
                8,
            ),
            isset(([$libraryId => 1] + $otherCards)[$number('at') ?? 0]) ? $number('at') : null,
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
                ...$this->filters(),
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
    public function filters(): array
    {
        return array_filter(
            [
                'ready' => $this->readyNow ? '1' : null,
                'always' => $this->alwaysReady ? '1' : null,
                'format' => $this->format?->value,
                'audience' => $this->audience?->value,
                'language' => $this->language,
                'subjects' => implode('.', $this->subjects),
                'year' => self::text($this->years),
                'level' => self::text($this->levels),
                'series' => $this->seriesId === null ? null : (string) $this->seriesId,
                'awards' => implode('||', $this->awards),
                'at' =>
                    $this->scope === Reach::Cards && $this->atLibraryId !== null ? (string) $this->atLibraryId : null,
            ],
            fn(?string $value): bool => $value !== null && $value !== '',
        );
    }

    /** @return array{int|null, int|null} */
    private static function range(string $text, ?int $from, ?int $to): array
    {
        if (preg_match('/^(\d{1,4})?-(\d{1,4})?$/', $text, $m, PREG_UNMATCHED_AS_NULL) === 1) {
            [$from, $to] = [
                $from ?? ($m[1] === null ? null : (int) $m[1]),
                $to ?? ($m[2] === null ? null : (int) $m[2]),
            ];
        }

        return $from !== null && $to !== null && $from > $to ? [$to, $from] : [$from, $to];
    }

    /** @param  array{int|null, int|null}  $range */
    private static function text(array $range): ?string
    {
        return $range === [null, null] ? null : "{$range[0]}-{$range[1]}";
    }
}

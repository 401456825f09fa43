<?php

declare(strict_types=1);

namespace App\Catalogue\FrontDoor;

use App\Catalogue\Search\CatalogueSearch;
use App\Catalogue\Search\SearchRequest;
use App\Lending\LoanRules\CardEligibility;
use App\Models\Title;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use Illuminate\Support\Collection;

/** What a library has, for those who come to its front door. */
final readonly class LibraryHoldings
{
    public function __construct(private CatalogueSearch $search) {}

    /** @return array<string, int> titles by format */
    public function counts(int $libraryId, DateTimeImmutable $now): array
    {
        return $this->search->formats(self::asked($libraryId, []), $now);
    }

    /**
     * The newest: of those that came last the ones with a file first, and those with a cover. Where hardly any of them
     * has a file yet, what came before them and can be read stands before them.
     *
     * @param  bool  $ready  those to be had at this moment alone
     * @return Collection<int, Title> each of another work
     */
    public function newest(int $libraryId, DateTimeImmutable $now, bool $ready, int $count): Collection
    {
        $last = fn(bool $ready): Collection => $this->first(
            $libraryId,
            $now,
            ['order' => 'newest', ...$ready ? ['ready' => '1'] : []],
            $count,
        );
        $titles = $last($ready);
        if (!$ready && $titles->where('publication_exists', true)->unique('work_id')->count() < $count) {
            $titles = $titles->concat($last(true))->unique('id');
        }

        // They come in the order in which they were added, which stays among equals.
        return self::ofAnotherWork(
            $titles->sortByDesc(fn(Title $of): array => [$of->publication_exists, $of->cover_file !== null]),
            $count,
        );
    }

    /** @return Collection<int, Title> those that are borrowed most, each of another work */
    public function mostBorrowed(int $libraryId, DateTimeImmutable $now, int $count): Collection
    {
        return self::ofAnotherWork($this->first($libraryId, $now, ['order' => 'most_borrowed'], $count), $count);
    }

    /**
     * @param  array<string, string>  $asked
     * @return Collection<int, Title> so many that there are enough works among them
     */
    private function first(int $libraryId, DateTimeImmutable $now, array $asked, int $count): Collection
    {
        return new Collection(
            $this->search->first(self::asked($libraryId, $asked), $count * count(Format::cases()), $now),
        );
    }

    /**
     * As an ebook and read aloud it is one book.
     *
     * @param  Collection<int, Title>  $titles
     * @return Collection<int, Title>
     */
    private static function ofAnotherWork(Collection $titles, int $count): Collection
    {
        return $titles->unique('work_id')->take($count)->values();
    }

    /** @param  array<string, string>  $asked */
    private static function asked(int $libraryId, array $asked): SearchRequest
    {
        return SearchRequest::read($libraryId, $asked, new CardEligibility());
    }
}

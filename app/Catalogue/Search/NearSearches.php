<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Reach;

/** Where a search finds nothing, those near to it that do, each with its first titles. */
final class NearSearches
{
    private const SHOWN = 4;

    public function __construct(private readonly CatalogueSearch $catalogue, private readonly ResultRows $rows) {}

    /**
     * What may have been meant, then the same among more titles.
     *
     * @param  array{word: string, left: string, format: Format|null, total: int}|null  $meant  the likeliest, as
     *     NoResultSuggestions has it
     * @return list<NearSearch> only those that find something
     */
    public function of(SearchRequest $search, ?array $meant, bool $byWork, DateTimeImmutable $now): array
    {
        $asked = [];
        if ($meant !== null) {
            $format = $meant['format'];
            $asked[] = [
                $format === null
                    ? __('search.without_word', ['word' => $meant['word']])
                    : __('search.meant_format', ['format' => __("catalogue.formats.{$format->value}")]),
                ['q' => $meant['left'], ...$format === null ? [] : ['format' => $format->value]],
            ];
        }
        foreach (self::wider($search) as $reach) {
            $asked[] = [__("search.wider.{$reach->value}"), ['reach' => $reach->value]];
        }
        $near = [];
        foreach ($asked as [$heading, $changes]) {
            $other = $search->changed($changes);
            $total = $this->catalogue->total($other, $now);
            if ($total > 0) {
                $page = $this->catalogue->page($other, $total, $now, self::SHOWN);
                $near[] = new NearSearch($heading, $changes, $page, $this->rows->of($other, $page, $byWork, $now));
            }
        }

        return $near;
    }

    /** @return list<Reach> wider than that of the search, as far as there is something in them */
    private static function wider(SearchRequest $search): array
    {
        return match ($search->scope) {
            Reach::Library => [...$search->otherCards === [] ? [] : [Reach::Cards], Reach::Beyond],
            Reach::Cards => [Reach::Beyond],
            Reach::Beyond => [],
        };
    }
}

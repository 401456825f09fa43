<?php

declare(strict_types=1);

namespace App\Catalogue\Indexes;

use App\Catalogue\Filters\AwardFilter;
use App\Catalogue\Filters\SeriesFilter;
use App\Catalogue\Filters\SubjectFilter;
use App\Catalogue\Search\SearchRequest;

/** What can be leafed through from A to Z. */
enum IndexKind: string
{
    case People = 'people';
    case Series = 'series';
    case Subjects = 'subjects';
    case Awards = 'awards';

    /**
     * What the catalogue is asked for its titles.
     *
     * @return array<string, string>
     */
    public function search(?int $id, string $name): array
    {
        return match ($this) {
            self::People => ['q' => SearchRequest::byPerson('contributor', $name)],
            self::Series => [SeriesFilter::name() => (string) $id],
            self::Subjects => [SubjectFilter::name() => (string) $id],
            self::Awards => [AwardFilter::name() => $name],
        };
    }
}

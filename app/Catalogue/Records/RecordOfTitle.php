<?php

declare(strict_types=1);

namespace App\Catalogue\Records;

use App\Models\Contributor;
use App\Models\Title;
use FigPorch\Core\Catalogue\AgeRange;
use FigPorch\Core\Catalogue\Record;

/** The record of a title as it is kept. */
final class RecordOfTitle
{
    /** @param  Record|null  $ofFile  what a file that has come for it says of itself; only its measures count */
    public static function of(Title $title, ?Record $ofFile = null): Record
    {
        $title->loadMissing(['contributors', 'subjects', 'series']);

        return new Record(
            key: $title->record_key,
            format: $title->format,
            name: $title->name,
            contributors: array_values(
                $title->contributors
                    ->map(
                        fn(Contributor $of): array => [
                            'name' => $of->name,
                            'sort' => $of->sort_name,
                            'role' => $of->pivot->role,
                        ],
                    )
                    ->all(),
            ),
            extent: $ofFile->extent ?? $title->extent,
            subtitle: $title->subtitle,
            edition: $title->edition,
            language: $title->language,
            audience: $title->audience,
            description: $title->description,
            publisher: $title->publisher,
            published: $title->published,
            identifiers: $title->identifiers,
            subjects: array_values($title->subjects->pluck('name')->all()),
            series: $title->series?->name,
            seriesPosition: $title->series_position === null ? null : (float) $title->series_position,
            seconds: $ofFile === null ? $title->extent_seconds : $ofFile->seconds,
            accessibility: $ofFile->accessibility ?? $title->accessibility,
            awards: $title->awards,
            level: $ofFile === null ? $title->level : $ofFile->level,
            works: $title->works,
            ages: $title->age_from === null || $title->age_to === null
                ? null
                : AgeRange::parse("{$title->age_from}-" . ($title->age_to === AgeRange::OPEN ? '' : $title->age_to)),
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Catalogue\Citations;

use App\Models\Title;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Citation\CitedTitle;
use FigPorch\Core\Catalogue\Citation\Name;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\OpenTo;
use Illuminate\Support\Facades\DB;

/** Titles with all that a citation says of them. */
final class CitableTitles
{
    /**
     * @param  list<int>  $ids
     * @param  callable(int): string  $address  of a title; a website has its own
     * @param  DateTimeImmutable|null  $day  on which they are cited
     * @return list<CitedTitle> in the order of the numbers
     */
    public function titles(array $ids, callable $address, ?DateTimeImmutable $day = null): array
    {
        $titles = Title::query()->with('series:id,name')->findMany(array_unique($ids))->keyBy('id');

        return $this->of(array_filter(array_map(fn(int $id): ?Title => $titles[$id] ?? null, $ids)), $address, $day);
    }

    /**
     * The same of titles that are read already, with the names of their series.
     *
     * @param  array<Title>  $titles
     * @param  callable(int): string  $address
     * @return list<CitedTitle>
     */
    public function of(array $titles, callable $address, ?DateTimeImmutable $day = null): array
    {
        $ids = array_column($titles, 'id');
        $people = [];
        foreach (
            DB::table('contributor_title')
                ->join('contributors', 'contributors.id', '=', 'contributor_id')
                ->whereIn('title_id', $ids)
                ->orderBy('position')
                ->get(['title_id', 'role', 'sort_name'])
            as $row
        ) {
            $people[$row->title_id][$row->role][] = Name::fromSorted($row->sort_name);
        }
        $sites = array_column(array_filter($titles, fn(Title $of): bool => $of->format === Format::Website), 'id');
        $websites =
            $sites === []
                ? []
                : DB::table('links')
                    ->whereIn('title_id', $sites)
                    ->where('open_to', '<>', OpenTo::CardHolders->value)
                    ->orderByRaw("open_to = 'everybody', id desc")
                    ->pluck('address', 'title_id')
                    ->all();

        return array_values(
            array_map(function (Title $title) use ($people, $websites, $address, $day): CitedTitle {
                $id = $title->id;
                $timed = in_array($title->format, [Format::Audiobook, Format::Video], true);

                return new CitedTitle(
                    key: "figporch-{$title->id}",
                    format: $title->format,
                    name: $title->name,
                    people: $people[$id] ?? [],
                    subtitle: $title->subtitle,
                    edition: $title->edition,
                    publisher: $title->publisher,
                    published: $title->published,
                    isbn: $title->isbn,
                    language: $title->language,
                    series: $title->seriesName(),
                    seriesPosition: $title->series_position === null ? null : (string) (float) $title->series_position,
                    address: $websites[$id] ?? $address($id),
                    pages: in_array($title->format, [Format::Ebook, Format::Magazine, Format::Paper], true)
                        ? $title->extent
                        : null,
                    seconds: $timed ? $title->extent : $title->extent_seconds,
                    accessed: $day,
                );
            }, $titles),
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Lending\Holdings;

use App\Models\Holding;
use App\Models\Library;
use App\Models\Link;
use App\Models\Title;

/** Where titles on paper and websites are, in a library and in the others of its consortium. */
final class StandsElsewhere
{
    /**
     * @param  iterable<Title>  $titles
     * @return array<int, Elsewhere> by title, of those that are not lent here
     */
    public function of(Library $library, iterable $titles): array
    {
        $ids = ['paper' => [], 'website' => []];
        foreach ($titles as $title) {
            $title->format->isLent() || ($ids[$title->format->value][] = $title->id);
        }
        $libraries = [...$ids['paper'], ...$ids['website']] === [] ? [] : self::together($library);
        $order = fn(Holding|Link $of): array => [$of->library_id !== $library->id, $of->library->name, $of->id];
        $holdings =
            $ids['paper'] === []
                ? collect()
                : Holding::query()
                    ->with('library')
                    ->whereIn('title_id', $ids['paper'])
                    ->whereIn('library_id', $libraries)
                    ->get()
                    ->sortBy($order)
                    ->groupBy('title_id');
        $links =
            $ids['website'] === []
                ? collect()
                : Link::query()
                    ->with('library')
                    ->whereIn('title_id', $ids['website'])
                    ->whereIn('library_id', $libraries)
                    ->get()
                    ->sortBy($order)
                    ->groupBy('title_id');
        $elsewhere = [];
        foreach ([...$ids['paper'], ...$ids['website']] as $id) {
            $elsewhere[$id] = new Elsewhere(
                array_values(($holdings[$id] ?? collect())->all()),
                array_values(($links[$id] ?? collect())->all()),
            );
        }

        return $elsewhere;
    }

    /** @return list<int> the library, and those of its consortium */
    private static function together(Library $library): array
    {
        return $library->consortium_id === null
            ? [$library->id]
            : array_values(Library::query()->where('consortium_id', $library->consortium_id)->pluck('id')->all());
    }
}

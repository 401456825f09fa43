<?php

declare(strict_types=1);

namespace App\Lending\Holdings;

use App\Models\Holding;
use App\Models\Library;
use App\Models\Link;
use App\Models\Title;
use App\Shared\RequestContext;
use Illuminate\Support\Collection;

/** Where titles on paper and websites are, in a library and in the others of its consortium. */
final class StandsElsewhere
{
    public function __construct(private readonly RequestContext $current) {}

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
        $libraries = [...$ids['paper'], ...$ids['website']] === [] ? collect() : $this->together($library);
        $at = fn(Holding|Link $of): mixed => $of->setRelation('library', $libraries[$of->library_id]);
        $order = fn(Holding|Link $of): array => [$of->library_id !== $library->id, $of->library->name, $of->id];
        $holdings =
            $ids['paper'] === []
                ? collect()
                : Holding::query()
                    ->whereIn('title_id', $ids['paper'])
                    ->whereIn('library_id', $libraries->keys())
                    ->get()
                    ->each($at)
                    ->sortBy($order)
                    ->groupBy('title_id');
        $links =
            $ids['website'] === []
                ? collect()
                : Link::query()
                    ->whereIn('title_id', $ids['website'])
                    ->whereIn('library_id', $libraries->keys())
                    ->get()
                    ->each($at)
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

    /** @return Collection<int, Library> by id, the library and those of its consortium, of all that are at hand */
    private function together(Library $library): Collection
    {
        return $this->current
            ->libraries()
            ->filter(
                fn(Library $of): bool => $of->id === $library->id ||
                    ($library->consortium_id !== null && $of->consortium_id === $library->consortium_id),
            )
            ->keyBy('id');
    }
}

<?php

declare(strict_types=1);

namespace App\Reading\Marks;

use App\Models\Mark;
use FigPorch\Core\Reading\Colour;
use Illuminate\Database\Eloquent\Collection;

/** What a person has marked. */
final class Marks
{
    /** @return Collection<int, Mark> in one title, in its order */
    public function in(int $personId, int $titleId): Collection
    {
        return Mark::query()
            ->where(['person_id' => $personId, 'title_id' => $titleId, 'removed' => false])
            ->orderByRaw("(locator->'locations'->>'totalProgression')::float, made_at, id")
            ->get();
    }

    /**
     * In all titles, by title and in its order.
     *
     * @param  string  $words  that their note, text, place or title has
     * @param  Colour|null  $colour  of highlights alone
     * @param  int|null  $workId  of one work alone
     * @return Collection<int, Mark>
     */
    public function all(int $personId, string $words = '', ?Colour $colour = null, ?int $workId = null): Collection
    {
        $like = '%' . addcslashes($words, '\\%_') . '%';

        return Mark::query()
            ->select('marks.*')
            ->join('titles', 'titles.id', '=', 'title_id')
            ->with(['title.contributors', 'title.publication:id,title_id'])
            ->where(['person_id' => $personId, 'removed' => false])
            ->when(
                $words !== '',
                fn($query) => $query->whereRaw(
                    '(note ilike ? or label ilike ? or locator->\'text\'->>\'highlight\' ilike ? or titles.name ' .
                        'ilike ?)',
                    [$like, $like, $like, $like],
                ),
            )
            ->when($colour !== null, fn($query) => $query->where('colour', $colour?->value))
            ->when($workId !== null, fn($query) => $query->where('titles.work_id', $workId))
            ->orderBy('titles.name')
            ->orderBy('title_id')
            ->orderByRaw("(locator->'locations'->>'totalProgression')::float, made_at, marks.id")
            ->get();
    }
}

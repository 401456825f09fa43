<?php

declare(strict_types=1);

namespace App\Reading\Marks;

use DateTimeImmutable;
use FigPorch\Core\Reading\Colour;
use FigPorch\Core\Reading\Locator;
use Illuminate\Support\Facades\DB;

/**
 * Writes down what a device did to a mark. The same twice changes nothing, and what was done last counts, in whatever
 * order it arrives.
 */
final class KeepMark
{
    public const MOST = 5000;

    /** @return bool false where it is another person's, or they have as many as anyone may have */
    public function __invoke(
        int $personId,
        int $titleId,
        string $id,
        Locator $locator,
        string $label,
        string $note,
        ?Colour $colour,
        bool $removed,
        DateTimeImmutable $changedAt,
    ): bool {
        $known = DB::selectOne('select person_id, title_id from marks where id = ?', [$id]);
        if (
            $known === null
                ? DB::table('marks')->where('person_id', $personId)->count() >= self::MOST
                : $known->person_id !== $personId || $known->title_id !== $titleId
        ) {
            return false;
        }
        $at = $changedAt->format('Y-m-d H:i:s.vP');
        DB::insert(
            'insert into marks (id, person_id, title_id, locator, label, note, colour, made_at, changed_at, removed)
                values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
                on conflict (id) do update set note = excluded.note, colour = excluded.colour,
                    removed = excluded.removed, changed_at = excluded.changed_at
                where (marks.changed_at, marks.removed, marks.note, coalesce(marks.colour,
                    \'\')) < (excluded.changed_at, excluded.removed, excluded.note, coalesce(excluded.colour, \'\'))
                    and marks.person_id = excluded.person_id and marks.title_id = excluded.title_id',
            [
                $id,
                $personId,
                $titleId,
                json_encode($locator->toArray(), JSON_THROW_ON_ERROR),
                $label,
                $removed ? '' : $note,
                $colour?->value,
                $at,
                $at,
                $removed,
            ],
        );

        return true;
    }
}

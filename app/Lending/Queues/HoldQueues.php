<?php

declare(strict_types=1);

namespace App\Lending\Queues;

use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LineLicence;
use Illuminate\Support\Facades\DB;

/** The state of a library's lines for titles: what keeps each copy busy, and which of its patrons' holds wait. */
final class HoldQueues
{
    /**
     * @param  array<int, list<Licence>>  $licences  by title
     * @return array<int, array{licences: list<LineLicence>, waiting: list<DateTimeImmutable|null>, holds: list<int>}>
     *     by title; of each hold that waits, in order, until when it is paused, and its id
     */
    public function of(int $libraryId, array $licences): array
    {
        if ($licences === []) {
            return [];
        }
        $licenceIds = array_map(fn(Licence $l): int => $l->id, array_merge(...array_values($licences)));
        $rows = DB::select('select * from lines_of(?, ?, ?)', [
            $libraryId,
            Sql::array(array_keys($licences)),
            Sql::array($licenceIds),
        ]);
        $due = $began = $kept = $waiting = $holds = [];
        foreach ($rows as $row) {
            if ($row->kind === 'waiting') {
                $waiting[$row->id][] = $row->until === null ? null : new DateTimeImmutable($row->until);
                $holds[$row->id][] = $row->hold_id;
            } elseif ($row->kind === 'ready') {
                $kept[$row->id][] = new DateTimeImmutable($row->until);
            } else {
                $due[$row->id][] = new DateTimeImmutable($row->until);
                $began[$row->id][] = new DateTimeImmutable($row->began);
            }
        }
        $lines = [];
        foreach ($licences as $titleId => $of) {
            $lines[$titleId] = [
                'licences' => array_map(
                    fn(Licence $l): LineLicence => new LineLicence(
                        $l,
                        $due[$l->id] ?? [],
                        $kept[$l->id] ?? [],
                        $began[$l->id] ?? [],
                    ),
                    $of,
                ),
                'waiting' => $waiting[$titleId] ?? [],
                'holds' => $holds[$titleId] ?? [],
            ];
        }

        return $lines;
    }
}

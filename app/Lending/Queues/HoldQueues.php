<?php

declare(strict_types=1);

namespace App\Lending\Queues;

use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Lending\Forecast\TitleUse;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LineLicence;
use FigPorch\Core\Lending\WaitingHold;
use Illuminate\Support\Facades\DB;

/** The state of a library's lines for titles: what keeps each copy busy, and which of its patrons' holds wait. */
final class HoldQueues
{
    /**
     * @param  array<int, list<Licence>>  $licences  by title
     * @return array<int, array{licences: list<LineLicence>, waiting: list<WaitingHold>, holds: list<int>}>
     *     by title; holds that wait, in order, and their ids
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
                $waiting[$row->id][] = new WaitingHold(
                    new DateTimeImmutable($row->began),
                    $row->until === null ? null : new DateTimeImmutable($row->until),
                );
                $holds[$row->id][] = $row->hold_id;
            } elseif ($row->kind === 'ready') {
                $kept[$row->id][] = new DateTimeImmutable($row->until);
            } else {
                $due[$row->id][] = new DateTimeImmutable($row->until);
                $began[$row->id][] = new DateTimeImmutable($row->began);
            }
        }
        $uses = $this->uses($libraryId, array_keys($licences));
        $lines = [];
        foreach ($licences as $titleId => $of) {
            $lines[$titleId] = [
                'licences' => array_map(
                    fn(Licence $l): LineLicence => new LineLicence(
                        $l,
                        $due[$l->id] ?? [],
                        $kept[$l->id] ?? [],
                        $began[$l->id] ?? [],
                        $uses[$titleId] ?? null,
                    ),
                    $of,
                ),
                'waiting' => $waiting[$titleId] ?? [],
                'holds' => $holds[$titleId] ?? [],
            ];
        }

        return $lines;
    }

    /**
     * @param  list<int>  $titles
     * @return array<int, TitleUse> how the titles' loans have ended there, as last measured
     */
    private function uses(int $libraryId, array $titles): array
    {
        $rows = DB::select(
            'select title_id, early, loans from title_habits where library_id = ? and title_id = any(?)',
            [$libraryId, Sql::array($titles)],
        );
        $uses = [];
        foreach ($rows as $row) {
            $uses[$row->title_id] = new TitleUse($row->early, $row->loans);
        }

        return $uses;
    }
}

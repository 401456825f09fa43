<?php

declare(strict_types=1);

namespace App\Queries\Lending;

use DateTimeImmutable;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LineLicence;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The state of a library's lines for titles: what keeps each copy busy, and which of its patrons' holds wait. */
final class Lines
{
    /**
     * @param  array<int, list<Licence>>  $licences  by title
     * @return array<int, array{licences: list<LineLicence>, waiting: list<DateTimeImmutable|null>}> by title; of each hold that waits, in order, until when it is paused
     */
    public function of(int $libraryId, array $licences): array
    {
        if ($licences === []) {
            return [];
        }
        $waiting = DB::table('holds')->where('library_id', $libraryId)->whereIn('state', ['waiting', 'paused'])->whereIn('title_id', array_keys($licences))
            ->orderBy('line_at')->orderBy('id')->get(['title_id', 'paused_until'])->groupBy('title_id');
        $lines = [];
        foreach ($this->copies($licences) as $titleId => $copies) {
            $lines[$titleId] = [
                'licences' => $copies,
                'waiting' => array_values(array_map(fn (stdClass $h): ?DateTimeImmutable => $h->paused_until === null ? null : new DateTimeImmutable($h->paused_until), ($waiting[$titleId] ?? collect())->all())),
            ];
        }

        return $lines;
    }

    /**
     * What keeps the copies busy, without the lines.
     *
     * @param  array<int, list<Licence>>  $licences  by title
     * @return array<int, list<LineLicence>> by title
     */
    public function copies(array $licences): array
    {
        $licenceIds = array_map(fn (Licence $l): int => $l->id, array_merge(...array_values($licences)));
        $busy = DB::select(
            "select licence_id, 'loan' kind, due_at at, started_at began from loans where ended_at is null and licence_id = any(?::bigint[])
                union all select licence_id, 'hold', kept_until, null from holds where state = 'ready' and licence_id = any(?::bigint[])",
            [$ids = '{'.implode(',', $licenceIds).'}', $ids],
        );
        $dates = ['loan' => [], 'hold' => []];
        $began = [];
        foreach ($busy as $row) {
            $dates[$row->kind][$row->licence_id][] = new DateTimeImmutable($row->at);
            if ($row->began !== null) {
                $began[$row->licence_id][] = new DateTimeImmutable($row->began);
            }
        }

        return array_map(
            fn (array $of): array => array_map(fn (Licence $l): LineLicence => new LineLicence($l, $dates['loan'][$l->id] ?? [], $dates['hold'][$l->id] ?? [], $began[$l->id] ?? []), $of),
            $licences,
        );
    }
}

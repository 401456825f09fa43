<?php

declare(strict_types=1);

namespace App\Queries\Lending;

use DateTimeImmutable;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LineLicence;
use Illuminate\Support\Facades\DB;

/** The state of a library's lines for titles: what keeps each copy busy, and how many of its patrons wait. */
final class Lines
{
    /**
     * @param  array<int, list<Licence>>  $licences  by title
     * @return array<int, array{licences: list<LineLicence>, waiting: int}> by title
     */
    public function of(int $libraryId, array $licences): array
    {
        if ($licences === []) {
            return [];
        }
        $licenceIds = array_map(fn (Licence $l): int => $l->id, array_merge(...array_values($licences)));
        $busy = DB::select(
            "select licence_id, 'loan' kind, due_at at from loans where ended_at is null and licence_id = any(?::bigint[])
                union all select licence_id, 'hold', kept_until from holds where state = 'ready' and licence_id = any(?::bigint[])",
            [$ids = '{'.implode(',', $licenceIds).'}', $ids],
        );
        $dates = ['loan' => [], 'hold' => []];
        foreach ($busy as $row) {
            $dates[$row->kind][$row->licence_id][] = new DateTimeImmutable($row->at);
        }
        $waiting = DB::table('holds')->where('library_id', $libraryId)->whereIn('state', ['waiting', 'paused'])->whereIn('title_id', array_keys($licences))
            ->groupBy('title_id')->selectRaw('title_id, count(*) n')->pluck('n', 'title_id');

        $lines = [];
        foreach ($licences as $titleId => $of) {
            $lines[$titleId] = [
                'licences' => array_map(fn (Licence $l): LineLicence => new LineLicence($l, $dates['loan'][$l->id] ?? [], $dates['hold'][$l->id] ?? []), $of),
                'waiting' => (int) ($waiting[$titleId] ?? 0),
            ];
        }

        return $lines;
    }
}

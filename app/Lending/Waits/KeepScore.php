<?php

declare(strict_types=1);

namespace App\Lending\Waits;

use App\Lending\Licences\UsableLicences;
use App\Lending\Queues\HoldQueues;
use App\Models\Library;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\Forecast\Forecast;
use FigPorch\Core\Lending\Forecast\WaitEstimate;
use Illuminate\Support\Facades\DB;

/**
 * Writes down what is promised to holds as they are placed, and what came of it. Run every minute, so that placing a
 * hold waits for nothing. A range is its hold's until the copy comes, and nobody's afterwards.
 */
final class KeepScore
{
    private const AT_A_TIME = 200;

    /** Older ones were placed while nobody was counting: their age is not that of a new promise. */
    private const MINUTES = 10;

    public function __construct(
        private readonly UsableLicences $licences,
        private readonly HoldQueues $lines,
        private readonly WaitEstimates $estimates,
    ) {}

    /** @return int how many ranges were written down */
    public function __invoke(DateTimeImmutable $now): int
    {
        DB::update(
            'update forecast_scores s set came_at = h.ready_at, hold_id = null from holds h
                where h.id = s.hold_id and h.ready_at is not null',
        );
        // Who gave up, or paused, changed what was asked: until then no copy had come.
        DB::update(
            "update forecast_scores s set left_at = coalesce(h.closed_at, ?), hold_id = null from holds h
                where h.id = s.hold_id and h.ready_at is null and (h.closed_at is not null or h.state = 'paused')",
            [Sql::second($now)],
        );
        $holds = DB::select(
            "select h.id, h.library_id, h.title_id, t.format from holds h join titles t on t.id = h.title_id
                where h.state = 'waiting' and h.ready_at is null and h.placed_at > ?
                and not exists (select from forecast_scores s where s.hold_id = h.id) order by h.id limit " .
                self::AT_A_TIME,
            [Sql::second($now->modify('-' . self::MINUTES . ' minutes'))],
        );
        $written = 0;
        foreach (collect($holds)->groupBy('library_id') as $libraryId => $ofLibrary) {
            $library = Library::query()->findOrFail($libraryId);
            $titles = array_values(array_unique($ofLibrary->pluck('title_id')->all()));
            $lines = $this->lines->of($library->id, $this->licences->of($library->id, $titles, $now));
            foreach ($ofLibrary as $hold) {
                $line = $lines[$hold->title_id];
                $ahead = array_search($hold->id, $line['holds'], true);
                if ($ahead === false) {
                    continue;
                }
                $drawn = $this->estimates->drawn(
                    library: $library,
                    format: Format::from($hold->format),
                    licences: $line['licences'],
                    ahead: array_slice($line['waiting'], 0, $ahead),
                    pausedUntil: null,
                    now: $now,
                    effort: Forecast::BRIEF,
                );
                $written += $this->write(
                    holdId: $hold->id,
                    library: $library,
                    format: $hold->format,
                    ahead: $ahead,
                    drawn: $drawn,
                    now: $now,
                );
            }
        }

        return $written;
    }

    private function write(
        int $holdId,
        Library $library,
        string $format,
        int $ahead,
        WaitEstimate $drawn,
        DateTimeImmutable $now,
    ): int {
        $shown = $this->estimates->corrected($drawn, $library, $ahead, $now);
        if ($drawn->from === null || $drawn->to === null || $shown->from === null || $shown->to === null) {
            return 0;
        }

        return DB::table('forecast_scores')->insertOrIgnore([
            'library_id' => $library->id,
            'format' => $format,
            'ahead' => $ahead,
            'asked_at' => $now,
            'drawn_from' => $drawn->from,
            'drawn_middle' => $drawn->middle,
            'drawn_to' => $drawn->to,
            'from_at' => $shown->from,
            'middle_at' => $shown->middle,
            'to_at' => $shown->to,
            'hold_id' => $holdId,
        ]);
    }
}

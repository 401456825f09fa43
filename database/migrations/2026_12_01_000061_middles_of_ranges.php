<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            alter table forecast_scores add drawn_middle timestamptz(0), add left_at timestamptz(0);
            update forecast_scores set drawn_middle = middle_at;
            alter table forecast_scores
                alter drawn_middle set not null,
                drop constraint forecast_scores_end,
                add constraint forecast_scores_end check ((hold_id is null) = (num_nonnulls(came_at, left_at) = 1)
                    and num_nonnulls(came_at, left_at) < 2);
            create index forecast_scores_asked on forecast_scores (library_id, asked_at);
            comment on table forecast_scores is
                'likely ranges of holds, and when their copy came, or they gave up: then of no hold any more';
            comment on column forecast_scores.left_at is 'when it was given up or paused before its copy came';

            alter table forecast_corrections add shift real not null default 0;
            alter table forecast_corrections alter shift drop default;
            comment on column forecast_corrections.shift is
                'by which share of its length a range is moved to later days';
            comment on column forecast_corrections.widen is
                'by which share of its length a range is moved out at each end';
            SQL
            ,
        );
    }
};

<?php

declare(strict_types=1);

use App\Actions\Lending\MeasureHabits;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schedule;

Schedule::command('lending:tick')->everyMinute();
Schedule::command('queue:prune-failed')->daily();
Schedule::call(fn () => DB::update(
    'update titles set times_borrowed = l.n from (select title_id, count(*) n from loans group by title_id) l
        where l.title_id = titles.id and l.n <> times_borrowed',
))->name('count how often titles were borrowed')->hourly();

Schedule::command('lending:audit')->dailyAt('03:40');
Schedule::call(fn (MeasureHabits $measure) => $measure(now()->toImmutable()))->name('measure how loans and holds are used')->dailyAt('03:10');

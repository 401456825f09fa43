<?php

declare(strict_types=1);

use App\Catalogue\SavedSearches\SendMatchNotices;
use App\Catalogue\Search\CountBorrowed;
use App\Catalogue\Search\RefreshAvailability;
use App\Catalogue\SimilarTitles\CountBorrowedTogether;
use App\Lending\Waits\MeasureHabits;
use App\Shared\Readiness;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Schedule;

Schedule::call(Readiness::schedulerIsAtWork(...))->name('say that the scheduler is at work')->everyMinute();
Schedule::command('lending:tick')->everyMinute();
Schedule::command('search:index records --due')->everyFiveMinutes()->withoutOverlapping(60)->runInBackground();
Schedule::command('search:index lending --due')->everyMinute()->withoutOverlapping(60)->runInBackground();
Schedule::command('catalogue:read-supplier --stale')->everyMinute()->withoutOverlapping(30)->runInBackground();
Schedule::call(fn(SendMatchNotices $look) => $look(CarbonImmutable::now()))
    ->name('look for what is new in saved searches')
    ->everyTenMinutes();
Schedule::command('queue:prune-failed')->daily();
Schedule::call(fn(CountBorrowed $count) => $count())->name('count how often titles were borrowed')->hourly();
Schedule::command('lending:audit')->dailyAt('03:40');
Schedule::call(fn(MeasureHabits $measure) => $measure(CarbonImmutable::now()))
    ->name('measure how loans and holds are used')
    ->dailyAt('03:10');
Schedule::call(fn(CountBorrowedTogether $measure) => $measure())
    ->name('count which titles the same people borrow')
    ->dailyAt('03:25');
Schedule::call(fn(RefreshAvailability $refresh) => $refresh())
    ->name('note which licences have begun or ended')
    ->hourly();

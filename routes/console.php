<?php

declare(strict_types=1);

use App\Account\Messages\SendMessages;
use App\Catalogue\Indexes\CountIndexes;
use App\Catalogue\SavedSearches\SendMatchNotices;
use App\Catalogue\Search\CountBorrowed;
use App\Catalogue\Search\RefreshAvailability;
use App\Catalogue\SimilarTitles\CountBorrowedTogether;
use App\Desk\Rules\ChangeRule;
use App\Exchange\Counter\AddUpUsage;
use App\Lending\Licences\CountUse;
use App\Lending\Loans\CountLoans;
use App\Lending\Waits\ForecastScores;
use App\Lending\Waits\KeepScore;
use App\Lending\Waits\MeasureHabits;
use App\Reading\Prepared\ForgetFiles;
use App\Shared\Readiness;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Schedule;

// What may not run twice at the same time holds a lock of the database, which ends with its process.
Schedule::call(Readiness::schedulerIsAtWork(...))->name('say that the scheduler is at work')->everyMinute();
Schedule::command('lending:tick')->everyMinute();
Schedule::call(fn(CountLoans $count) => $count())->name('count loans for the figures')->everyMinute();
Schedule::call(fn(SendMessages $send) => $send(CarbonImmutable::now()))->name('send important messages')->everyMinute();
Schedule::call(fn(ChangeRule $change) => $change->due(CarbonImmutable::now()))
    ->name('loan rules that begin today')
    ->everyMinute();
Schedule::command('search:index records --due')->everyFiveMinutes()->runInBackground();
Schedule::command('search:index lending --due')->everyMinute()->runInBackground();
Schedule::command('catalogue:read-supplier --stale')->everyMinute()->runInBackground();
Schedule::call(fn(SendMatchNotices $look) => $look(CarbonImmutable::now()))
    ->name('look for what is new in saved searches')
    ->everyTenMinutes();
Schedule::call(fn(ForgetFiles $forget) => $forget(CarbonImmutable::now()))
    ->name('remove files of loans that have ended')
    ->everyTenMinutes();
Schedule::command('catalogue:measure-media')->everyMinute()->runInBackground();
Schedule::command('links:look')->everyMinute()->runInBackground();
Schedule::command('privacy:keep-terms')->hourly()->runInBackground();
Schedule::command('storage:tidy')->dailyAt('03:50')->runInBackground();
Schedule::call(fn(CountBorrowed $count) => $count())->name('count how often titles were borrowed')->hourly();
Schedule::exec('sh ' . base_path('deploy/rotate-logs.sh'))
    ->dailyAt('00:10')
    ->when(fn(): bool => getenv('RUN') !== false);
Schedule::call(fn(AddUpUsage $add) => $add(CarbonImmutable::now()))
    ->name('add up how the catalogue is used')
    ->hourlyAt(6);
Schedule::command('lending:audit')->dailyAt('03:40');
Schedule::call(fn(KeepScore $keep) => $keep(CarbonImmutable::now()))
    ->name('write down what is promised')
    ->everyMinute();
Schedule::call(fn(ForecastScores $scores) => $scores->measure(CarbonImmutable::now()))
    ->name('correct ranges by how often they held')
    ->dailyAt('03:15');
Schedule::call(fn(MeasureHabits $measure) => $measure(CarbonImmutable::now()))
    ->name('measure how loans and holds are used')
    ->dailyAt('03:10');
Schedule::call(fn(CountUse $count) => $count())->name('count how licences are used')->dailyAt('03:30');
Schedule::call(fn(CountIndexes $count) => $count())->name('count what stands in the indexes')->dailyAt('03:35');
Schedule::call(fn(CountBorrowedTogether $measure) => $measure())
    ->name('count which titles the same people borrow')
    ->dailyAt('03:25');
Schedule::call(fn(RefreshAvailability $refresh) => $refresh())
    ->name('note which licences have begun or ended')
    ->hourly();

<?php

declare(strict_types=1);

/* Server time of each page of the Desk for a library of 200,000 patrons and 50,000 licences, among 1,000,000 titles. */

use App\Lending\Licences\CountUse;
use App\Lending\Loans\CountLoans;
use App\Lending\Waits\MeasureHabits;
use Bench\PageTimes;
use Bench\Report;
use Carbon\CarbonImmutable;
use FigPorch\Demo\Members;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;

require __DIR__ . '/../vendor/autoload.php';
$app = require __DIR__ . '/../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

$scale = (float) (getenv('FIGPORCH_BENCH_SCALE') ?: 1);
$sized = fn(int $of): int => max(100, (int) ($of * $scale));
[$patrons, $titles, $licences, $loans, $changes] = array_map($sized, [200_000, 1_000_000, 50_000, 1_000_000, 100_000]);
$library = (int) DB::table('libraries')->where('slug', 'saltmere')->value('id');
$staff = (int) DB::table('staff_members')->where('library_id', $library)->value('id');

if (DB::table('works')->where('match_key', 'bench-desk')->doesntExist()) {
    $work = DB::table('works')->insertGetId(['name' => 'Bench', 'match_key' => 'bench-desk']);
    DB::unprepared(
        <<<SQL
        set session_replication_role = replica;
        insert into titles (id, work_id, record_key, format, name, extent, added_at)
            select 20000000 + g, {$work}, 'desk:' || g, (array['ebook', 'audiobook', 'video'])[1 + g % 3],
                (array['Harbour', 'Lantern', 'Marsh', 'Ledger', 'Tide', 'Winter', 'Ferry'])[1 + g % 7] || ' ' || g, 100,
                now() - (g % 900) * interval '1 day' from generate_series(1, {$titles}) g;
        -- One in twenty ends within months; most have a copy, some many.
        insert into licences (id, library_id, title_id, model, copies, copies_free, starts_at, ends_at,
            file_came_at)
            select 20000000 + g, {$library}, 20000000 + g, 'one_copy_one_user', 1 + g % 5, 1 + g % 5,
                now() - interval '3 years', case when g % 20 = 0 then now() + (g % 100) * interval '1 day' end,
                now()
                from generate_series(1, {$licences}) g;
        insert into people (id, name, email) select 20000000 + g,
            (array['Ida', 'Tobias', 'Íñigo', 'Wren', 'Orla', 'Halvard', 'Sunniva', 'Piet', 'Nerys', 'Teo'])[1 + g % 10]
            || ' ' || (array['Marsh', 'Reed', 'Sáez', 'Okoro', 'Finch', 'Strand', 'Brack', 'Lorne', 'Ebbing'])
                [1 + g % 9] || '-' || g, 'patron' || g || '@lantern.example' from generate_series(1, {$patrons}) g;
        insert into cards (id, library_id, person_id, number, patron_group, class, expires_at, blocked_at)
            select 20000000 + g, {$library}, 20000000 + g, '7' || g, (array['adult', 'teen', 'child'])[1 + g % 3],
                case when g % 3 = 1 then (7 + g % 5) || 'b' end, now() + (g % 700 - 100) * interval '1 day',
                case when g % 500 = 0 then now() end from generate_series(1, {$patrons}) g;
        insert into loans (card_id, title_id, licence_id, length, started_at, due_at, ended_at, end_reason)
            select null, t, t, '14d', began, began + interval '14 days', began + interval '9 days', 'returned'
            from (select 20000001 + (g::bigint * 104729) % {$licences} t,
                now() - interval '30 days' - (g % 900) * interval '1 day' began from generate_series(1, {$loans}) g) x;
        insert into turnaways (library_id, title_id, reason, happened_at)
            select {$library}, 20000001 + g % {$licences}, 'no_copy_free', now() - (g % 360) * interval '1 day'
            from generate_series(1, {$licences}) g;
        insert into holds (card_id, library_id, title_id, state, placed_at, line_at)
            select 20000001 + g % {$patrons}, {$library}, 20000001 + (g / 4) % {$licences}, 'waiting',
                now() - interval '9 days', now() - interval '9 days' from generate_series(1, {$licences}) g;
        update licences set copies_free = 0 where id in (select title_id from holds where title_id > 20000000);
        insert into requests (library_id, card_id, title_id, wants_notice, wants_hold, state, asked_at)
            select {$library}, 20000001 + g % {$patrons}, 20000001 + {$licences} + g % 900, true, false, 'open', now()
            from generate_series(1, least(3000, {$patrons})) g;
        insert into desk_changes (library_id, staff_member_id, what, subject, facts, changed_at)
            select {$library}, {$staff}, (array['card_renewed', 'card_pin', 'card_blocked'])[1 + g % 3], '7' || g,
                '{}', now() - (g % 365) * interval '1 day' from generate_series(1, {$changes}) g;
        set session_replication_role = origin;
        SQL
        ,
    );
}
DB::statement('vacuum analyze');
// What is measured every night, and every minute.
app(CountUse::class)();
app(CountLoans::class)();
app(MeasureHabits::class)(CarbonImmutable::now());
DB::statement('vacuum analyze');

Report::head(
    'The Desk',
    sprintf(
        '%s cards, %s titles, %s licences, %s past loans, %s holds, %s rows of the audit trail. One client, ' .
            '30 requests a page after 10 to warm up; the time is that to the first byte, as the client sees it. ' .
            'Mark: 100 ms median.',
        ...array_map(fn(string $table): string => number_format(DB::table($table)->count()), [
            'cards',
            'titles',
            'licences',
            'loans',
            'holds',
            'desk_changes',
        ]),
    ),
);
$pages = new PageTimes((string) config('app.url'), 30, 10, [100, PHP_FLOAT_MAX]);
$member = Members::STAFF[0];
$pages->send('/desk/sign-in', ['email' => $member['email'], 'password' => $member['password']]);
$ask = fn(string $address): array => [$address, []];
PageTimes::table(
    $pages->measure([
        'Today' => $ask('/desk/today'),
        'patrons' => $ask('/desk/patrons'),
        'patrons, a name in two parts' => $ask('/desk/patrons?find=ida+marsh'),
        'patrons, a rare name' => $ask('/desk/patrons?find=reed-1231'),
        'patrons, the first digits of a number' => $ask('/desk/patrons?find=7199'),
        'patrons, blocked' => $ask('/desk/patrons?state=blocked'),
        'patrons, ending' => $ask('/desk/patrons?state=ending'),
        'patrons, the last page' => $ask('/desk/patrons?page=' . intdiv($patrons, 50)),
        'a card' => $ask('/desk/cards/20000007'),
        'patrons from a file' => $ask('/desk/patrons/files'),
        'loan rules' => $ask('/desk/rules'),
        'licences' => $ask('/desk/licences'),
        'licences, ending' => $ask('/desk/licences?show=ending'),
        'licences, all' => $ask('/desk/licences?show=all'),
        'licences of ebooks' => $ask('/desk/licences?format=ebook'),
        'licences by words' => $ask('/desk/licences?q=ferry'),
        'waits of a page of licences' => $ask(
            '/desk/licences/waits?titles=' . implode(',', range(20_000_100, 20_002_500, 100)),
        ),
        'ends and renewals' => $ask('/desk/renewals'),
        'weeding' => $ask('/desk/weeding'),
        'weeding, six months' => $ask('/desk/weeding?months=6'),
        'pay per loan' => $ask('/desk/pay-per-loan'),
        'orders' => $ask('/desk/orders'),
        'an order' => $ask('/desk/titles/20000005/order'),
        'the year in figures' => $ask('/desk/figures'),
        'usage' => $ask('/desk/usage'),
        'the library' => $ask('/desk/library'),
        'front door, its rows' => $ask('/desk/library/front'),
        'a title' => $ask('/desk/titles/20000005'),
        'files' => $ask('/desk/files'),
        'requests' => $ask('/desk/requests'),
        'lists' => $ask('/desk/lists'),
        'turnaways' => $ask('/desk/turnaways'),
        'staff' => $ask('/desk/staff'),
        'audit trail' => $ask('/desk/trail'),
        'audit trail, by words' => $ask('/desk/trail?find=71234'),
    ]),
);

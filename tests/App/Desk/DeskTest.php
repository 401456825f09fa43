<?php

declare(strict_types=1);

namespace Tests\App\Desk;

use App\Lending\Waits\MeasureHabits;
use App\Models\Hold;
use App\Models\Licence;
use FigPorch\Core\Lending\HoldState;
use FigPorch\Core\Lending\LicenceModel as M;
use FigPorch\Core\Lending\Refusal;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\TestCase;

final class DeskTest extends TestCase
{
    public function test_what_waits_rest_on_is_said_with_the_cases_of_each_format(): void
    {
        $this->licence($title = $this->title());
        $this->borrow($this->card(), $title);
        $this->hold($this->card(), $title);
        DB::table('loans')->insert(
            array_map(
                fn(int $n): array => [
                    'card_id' => null,
                    'title_id' => $title->id,
                    'licence_id' => $title->licences()->value('id'),
                    'length' => '14d',
                    'started_at' => $this->now()->subDays(100 + $n),
                    'due_at' => $this->now()->subDays(86 + $n),
                    'ended_at' => $this->now()->subDays(90 + $n),
                    'end_reason' => 'returned',
                ],
                range(1, 7),
            ),
        );
        app(MeasureHabits::class)($this->now());
        $this->app->forgetScopedInstances();
        $this->actingAs($this->staff(), 'staff');
        foreach (['/desk/licences', "/desk/titles/{$title->id}"] as $page) {
            $this->get($page)
                ->assertOk()
                ->assertSee('What these waits rest on')
                ->assertSee('Ebooks: 7 loans that have come due, and 0 holds that are over');
        }
    }

    public function test_staff_sign_in_with_mail_address_and_password_and_no_card_opens_the_desk(): void
    {
        $staff = $this->staff();
        $this->get('/desk/licences')->assertRedirect('/desk/sign-in');
        $this->post('/desk/sign-in', [
            'email' => strtoupper($staff->email),
            'password' => 'nine lanterns',
        ])->assertRedirect('/desk/licences');
        $this->get('/desk/licences')->assertOk()->assertSee('Halvard Strand');
        $this->get('/desk/sign-in')->assertRedirect('/desk');
        $this->get('/porch')->assertRedirect('/sign-in');
        $this->post('/desk/sign-out')->assertRedirect('/desk/sign-in');
        $this->get('/desk/licences')->assertRedirect('/desk/sign-in');
    }

    public function test_a_wrong_password_or_name_says_the_same_and_tries_are_limited(): void
    {
        $staff = $this->staff();
        foreach (
            [[$staff->email, 'wrong'], ['nobody@saltmere.example', 'nine lanterns'], ['', '']]
            as [$email, $password]
        ) {
            $this->post('/desk/sign-in', ['email' => $email, 'password' => $password])->assertSessionHasErrors([
                'email' => __('desk_sign_in.no_match'),
            ]);
        }
        foreach (range(1, 4) as $n) {
            $this->post('/desk/sign-in', ['email' => $staff->email, 'password' => "wrong{$n}"]);
        }
        $this->post('/desk/sign-in', ['email' => $staff->email, 'password' => 'nine lanterns'])->assertSessionHasErrors(
            'email',
        );
        $this->assertGuest('staff');
        $this->travel(16)->minutes();
        $this->post('/desk/sign-in', ['email' => $staff->email, 'password' => 'nine lanterns'])->assertRedirect(
            '/desk/today',
        );
    }

    public function test_the_desk_opens_to_no_patron_not_even_of_the_staff_group(): void
    {
        // Of each route: RouteAccessTest.
        $this->be($this->card(group: 'staff')->person)->get('/desk/licences')->assertRedirect('/desk/sign-in');
    }

    public function test_figures_lead_to_the_titles_behind_them(): void
    {
        [$waited, $ending, $few, $gone, $plain] = array_map($this->title(...), [
            'Waited For',
            'Ending',
            'Few Loans',
            'Gone',
            'Plain',
        ]);
        $this->licence($waited);
        $this->borrow($this->card(), $waited);
        foreach (range(1, 5) as $n) {
            $this->hold($this->card(), $waited);
        }
        $this->licence($ending, M::MeteredByTime, ends: '+60 days');
        $this->licence($few, M::MeteredByLoans, loans: 5);
        $this->licence($gone, M::MeteredByTime, ends: '+1 day');
        $this->borrow($this->card(), $gone);
        $this->hold($this->card(), $gone);
        $this->licence($plain);
        $this->travel(2)->days();

        $this->be($this->staff(), 'staff');
        $shown = fn(string $show): array => array_values(
            array_filter(
                ['Waited For', 'Ending', 'Few Loans', 'Gone', 'Plain'],
                fn(string $name): bool => str_contains(
                    (string) $this->get("/desk/licences?show={$show}")
                        ->assertOk()
                        ->getContent(),
                    ">{$name}</a>",
                ),
            ),
        );
        $this->assertSame(['Waited For', 'Gone'], $shown('waited_for'));
        $this->assertSame(['Waited For'], $shown('pressed'));
        $this->assertSame(['Gone'], $shown('no_copy'));
        $this->assertSame(['Ending'], $shown('ending'));
        $this->assertSame(['Few Loans'], $shown('few_loans'));
        $this->assertSame(['Waited For', 'Ending', 'Few Loans', 'Gone', 'Plain'], $shown('all'));
        $page = $this->get('/desk/licences')->getContent();
        foreach (
            ['waited_for' => 2, 'pressed' => 1, 'no_copy' => 1, 'ending' => 1, 'few_loans' => 1]
            as $show => $count
        ) {
            $this->assertMatchesRegularExpression(
                "~show={$show}&amp;[^>]*>\\s*<b[^>]*>{$count}</b>~",
                (string) $page,
                $show,
            );
        }
        foreach (['pressure', 'holds', 'ends', 'loans_left', 'copies', 'name', 'nonsense'] as $order) {
            $this->get("/desk/licences?show=all&order={$order}&q=for&format=ebook&target=7")
                ->assertOk()
                ->assertSee('Waited For')
                ->assertDontSee('>Plain</a>', false);
        }
    }

    public function test_what_is_waited_for_through_copies_that_others_share_is_seen_too(): void
    {
        $consortium = DB::table('consortia')->insertGetId(['name' => 'Lantern Coast Libraries']);
        $larkspur = $this->library('larkspur', $consortium);
        $this->library('saltmere', $consortium);
        $this->licence($title = $this->title('Shared Elsewhere'), library: $larkspur, shared: true);
        $this->borrow($this->card($larkspur), $title);
        $this->hold($this->card(), $title);

        $this->be($this->staff(), 'staff');
        $this->get('/desk/licences')->assertSee('Shared Elsewhere');
        $this->get('/desk/licences?show=no_copy')->assertDontSee('Shared Elsewhere');
        // By its words it is found as well: it is waited for, with no licence of the library's own.
        $this->get('/desk/licences?q=shared')->assertSee('Shared Elsewhere');
        $this->get('/desk/licences?q=nowhere')->assertDontSee('Shared Elsewhere');
        $this->get("/desk/titles/{$title->id}")
            ->assertOk()
            ->assertSee('And 1 copy that other libraries of the consortium share.')
            ->assertSee('no licence of this title');
    }

    public function test_the_waits_that_come_after_the_page_are_those_of_each_titles_own_page_and_of_the_file(): void
    {
        $this->licence($free = $this->title('Free'));
        $this->licence($lent = $this->title('Lent'));
        $this->borrow($this->card(), $lent);
        foreach (range(1, 6) as $n) {
            $this->hold($this->card(), $lent);
        }
        $this->be($this->staff(), 'staff');
        $this->get('/desk/licences?show=all')->assertSee("titles={$lent->id}%2C{$free->id}", false);
        $text = fn(string $html, string $pattern): string => trim(
            strip_tags(preg_match($pattern, $html, $of) === 1 ? $of[1] : $this->fail("No {$pattern}")),
        );
        foreach (['7', '56', 'nonsense'] as $target) {
            $waits = (string) $this->get("/desk/licences/waits?titles={$lent->id},{$free->id},x&target={$target}")
                ->assertOk()
                ->getContent();
            $rows = [];
            foreach (
                explode("\r\n", trim($this->get("/desk/licences.csv?show=all&target={$target}")->streamedContent()))
                as $line
            ) {
                $row = str_getcsv($line, escape: '');
                $rows[$row[1]] = $row;
            }
            foreach ([$lent, $free] as $title) {
                $page = (string) $this->get("/desk/titles/{$title->id}?target={$target}")->getContent();
                $wait = $text($waits, "~id=\"wait-{$title->id}\"[^>]*>(.*?)</a>~s");
                $more = $text($waits, "~id=\"more-{$title->id}\"[^>]*>(.*?)</span>\s*(?=<a|$)~s");
                $this->assertSame($wait, $text($page, '~<b[^>]*>([^<]*)</b><span[^>]*>8 in 10 wait under~s'));
                $this->assertSame($more, $text($page, '~<b[^>]*>([^<]*)</b><span[^>]*>more for under~s'));
                $days = (float) $rows[$title->name][10];
                $this->assertSame($wait, $days === 0.0 ? 'none' : max(1, ceil($days)) . ' days');
                $this->assertSame($more, $rows[$title->name][11]);
            }
        }
        $this->get('/desk/licences/waits')->assertOk();
        $this->get('/desk/licences/waits?titles=' . implode(',', range(1, 2000)))->assertOk();
    }

    public function test_a_table_as_csv_holds_every_row_and_no_formula(): void
    {
        foreach (range(1, 30) as $n) {
            $this->licence($this->title($n === 7 ? '=HYPERLINK("x")' : "Title, {$n}"));
        }
        $this->be($this->staff(), 'staff');
        $response = $this->get('/desk/licences.csv?show=all&order=name')
            ->assertOk()
            ->assertHeader('Content-Type', 'text/csv; charset=UTF-8');
        $csv = $response->streamedContent();
        $rows = array_map(
            fn(string $line): array => str_getcsv($line, escape: ''),
            explode("\r\n", trim($csv, "\u{FEFF}\r\n")),
        );

        $this->assertCount(31, $rows);
        $this->assertSame(
            ['12'],
            array_values(array_unique(array_map(fn(array $row): string => (string) count($row), $rows))),
        );
        $this->assertContains('Title, 4', array_column($rows, 1));
        $this->assertContains('\'=HYPERLINK("x")', array_column($rows, 1));
    }

    public function test_the_rows_behind_a_titles_figures_as_csv(): void
    {
        $licence = $this->licence($title = $this->title(), M::MeteredByLoans, loans: 26, price: 2900);
        $loan = $this->borrow($this->card(), $title);
        $this->hold($this->card(group: 'teen'), $title);
        $this->be($this->staff(), 'staff');
        $rows = fn(string $of): array => array_map(
            fn(string $line): array => str_getcsv($line, escape: ''),
            explode(
                "\r\n",
                trim(
                    $this->get("/desk/titles/{$title->id}/{$of}.csv")
                        ->assertOk()
                        ->streamedContent(),
                    "\u{FEFF}\r\n",
                ),
            ),
        );

        $this->assertSame(
            [(string) $licence->id, 'Metered by loans', '1', '0', '25', '26'],
            array_slice($rows('licences')[1], 0, 6),
        );
        $this->assertSame(['1', '2026-05-01T12:00:00+00:00', 'teen', 'waiting'], array_slice($rows('line')[1], 0, 4));
        $this->assertSame(
            [
                (string) $licence->id,
                '2026-05-01T12:00:00+00:00',
                $loan->due_at->setTimezone('Atlantic/Azores')->format(DATE_ATOM),
                'adult',
                '0',
            ],
            $rows('loans')[1],
        );
        $this->assertSame([['2026-05', '1', '1'], 13], [$rows('months')[12], count($rows('months'))]);
        $this->get("/desk/titles/{$title->id}/patrons.csv")->assertNotFound();
    }

    public function test_copies_are_raised_after_a_look_at_what_it_does(): void
    {
        $licence = $this->licence($title = $this->title());
        $this->borrow($this->card(), $title);
        $holds = [$this->hold($this->card(), $title), $this->hold($this->card(), $title)];
        $this->be($staff = $this->staff(), 'staff');
        $order = ['do' => 'copies', 'licence' => (string) $licence->id, 'copies' => '2'];

        $this->get("/desk/titles/{$title->id}/change?" . http_build_query($order))
            ->assertOk()
            ->assertSee('1 hold gets a copy at once')
            ->assertSee('Nothing is changed yet');
        $this->assertSame(1, $licence->refresh()->copies);
        $this->post("/desk/titles/{$title->id}/change", $order + ['order' => (string) Str::uuid()])->assertRedirect(
            "/desk/titles/{$title->id}",
        );
        $this->assertSame(2, $licence->refresh()->copies);
        $this->assertSame(
            [HoldState::Ready, HoldState::Waiting],
            array_map(fn(Hold $h) => $h->refresh()->state, $holds),
        );
        $this->assertEveryCountIsTrue();
        $this->get("/desk/titles/{$title->id}")
            ->assertSee("{$staff->name} set licence #{$licence->id} from 1 to 2 copies")
            ->assertSee('kept until');
    }

    public function test_copies_on_loan_cannot_be_cut(): void
    {
        $licence = $this->licence($title = $this->title(), copies: 3);
        $this->borrow($this->card(), $title);
        $this->borrow($this->card(), $title);
        $this->be($this->staff(), 'staff');
        $order = ['do' => 'copies', 'licence' => (string) $licence->id, 'copies' => '1'];
        foreach (['get', 'post'] as $method) {
            $this->call($method, "/desk/titles/{$title->id}/change", $order + ['order' => (string) Str::uuid()])
                ->assertRedirect("/desk/titles/{$title->id}")
                ->assertSessionHas('refusal', fn(string $said): bool => str_contains($said, '2 copies are on loan'));
        }
        $this->assertSame(3, $licence->refresh()->copies);
        $this->assertDatabaseCount('licence_changes', 0);
    }

    public function test_a_licence_ended_sets_ready_holds_back_as_foretold(): void
    {
        $licence = $this->licence($title = $this->title());
        $loan = $this->borrow($this->card(), $title);
        $hold = $this->hold($this->card(), $title);
        $this->as($loan->card)->post("/loans/{$loan->id}/return");
        $this->assertSame(HoldState::Ready, $hold->refresh()->state);

        $this->be($this->staff(), 'staff');
        $order = ['do' => 'end', 'licence' => (string) $licence->id, 'ends' => ''];
        $this->get("/desk/titles/{$title->id}/change?" . http_build_query($order))
            ->assertOk()
            ->assertSee('1 ready hold loses its copy')
            ->assertSee('no copy by then');
        $this->post("/desk/titles/{$title->id}/change", $order + ['order' => (string) Str::uuid()])->assertRedirect();
        $this->assertSame(HoldState::Waiting, $hold->refresh()->state);
        $this->assertLessThanOrEqual($this->now(), $licence->refresh()->ends_at);
        $this->get('/desk/licences?show=no_copy')->assertSee($title->name);
        $this->assertEveryCountIsTrue();
    }

    public function test_a_licence_added_serves_the_line_at_once_or_on_its_first_day(): void
    {
        $title = $this->title();
        $this->licence($title);
        $this->borrow($this->card(), $title);
        [$first, $second] = [$this->hold($this->card(), $title), $this->hold($this->card(), $title)];
        $this->be($this->staff(), 'staff');
        $add = [
            'do' => 'add',
            'model' => 'metered_by_loans',
            'copies' => '1',
            'loans' => '26',
            'price' => '29,50',
            'starts' => '',
            'ends' => '',
        ];
        $this->get("/desk/titles/{$title->id}/change?" . http_build_query($add))
            ->assertOk()
            ->assertSee('1 hold gets a copy at once');
        $this->post("/desk/titles/{$title->id}/change", $add + ['order' => (string) Str::uuid()])->assertRedirect();
        $licence = Licence::query()->orderByDesc('id')->firstOrFail();
        $this->assertSame(
            [M::MeteredByLoans, 1, 0, 25, 2950],
            [$licence->model, $licence->copies, $licence->copies_free, $licence->loans_left, $licence->price_cents],
        );
        $this->assertSame(HoldState::Ready, $first->refresh()->state);

        $later = [
            'do' => 'add',
            'model' => 'metered_by_time',
            'copies' => '1',
            'price' => '36',
            'starts' => '2026-05-04',
            'ends' => '2026-06-30',
        ];
        $this->get("/desk/titles/{$title->id}/change?" . http_build_query($later))
            ->assertOk()
            ->assertSee('No hold gets a copy at once');
        $this->post("/desk/titles/{$title->id}/change", $later + ['order' => (string) Str::uuid()])->assertRedirect();
        $licence = Licence::query()->orderByDesc('id')->firstOrFail();
        $this->assertSame(
            ['2026-05-04 00:00', '2026-06-30 23:59'],
            array_map(fn($at) => $at?->setTimezone('Atlantic/Azores')->format('Y-m-d H:i'), [
                $licence->starts_at,
                $licence->ends_at,
            ]),
        );
        $this->assertSame(HoldState::Waiting, $second->refresh()->state);
        $this->travelTo($licence->starts_at->addMinute());
        Artisan::call('lending:tick');
        $this->assertSame(HoldState::Ready, $second->refresh()->state);
        $this->assertEveryCountIsTrue();
    }

    public function test_a_form_sent_twice_is_done_once(): void
    {
        $title = $this->title();
        $this->be($this->staff(), 'staff');
        $page = (string) $this->get("/desk/titles/{$title->id}/change?do=add&model=one_copy_one_user&copies=2&price=0")
            ->assertOk()
            ->getContent();
        preg_match('~name="order" value="([0-9a-f-]{36})"~', $page, $m);
        $order = [
            'do' => 'add',
            'model' => 'one_copy_one_user',
            'copies' => '2',
            'price' => '0',
            'order' => $m[1] ?? '',
        ];
        foreach ([1, 2] as $time) {
            $this->post("/desk/titles/{$title->id}/change", $order)
                ->assertRedirect("/desk/titles/{$title->id}")
                ->assertSessionHas('said');
        }
        $this->assertSame(1, Licence::query()->count());
        $this->post("/desk/titles/{$title->id}/change", array_diff_key($order, ['order' => 1]))->assertSessionHasErrors(
            'order',
        );
        $this->assertSame(1, Licence::query()->count());
    }

    public function test_each_sign_in_goes_on_to_its_own_side(): void
    {
        $staff = $this->staff();
        $this->get('/loans')->assertRedirect('/sign-in');
        $this->post('/desk/sign-in', ['email' => $staff->email, 'password' => 'nine lanterns'])->assertRedirect(
            '/desk/today',
        );
        $this->post('/desk/sign-out');
        $this->get('/desk/turnaways?month=2026-02')->assertRedirect('/desk/sign-in');
        $card = $this->card(pin: '4071');
        $this->post('/sign-in?library=saltmere', ['number' => $card->number, 'pin' => '4071'])->assertRedirect(
            '/porch',
        );
    }

    public function test_a_page_beyond_the_last_is_the_last(): void
    {
        $this->licence($this->title('Plain'));
        $this->be($this->staff(), 'staff');
        foreach (['7', '9223372036854775807', '-1', 'x'] as $page) {
            $this->get("/desk/licences?show=all&page={$page}")
                ->assertOk()
                ->assertSee('Plain');
            $this->get("/desk/turnaways?page={$page}")->assertOk();
            $this->get("/desk/weeding?months=6&page={$page}")->assertOk();
        }
    }

    /** @param  array<string, string>  $order */
    #[DataProvider('badOrders')]
    public function test_what_cannot_be_is_refused_and_nothing_changes(array $order, string $field): void
    {
        $licence = $this->licence($title = $this->title());
        $elsewhere = $this->licence($title, library: $this->library('larkspur'));
        $this->be($this->staff(), 'staff');
        $order = str_replace(['OWN', 'OTHER'], [(string) $licence->id, (string) $elsewhere->id], $order);
        foreach (['get', 'post'] as $method) {
            $this->call($method, "/desk/titles/{$title->id}/change", $order + ['order' => (string) Str::uuid()])
                ->assertRedirect("/desk/titles/{$title->id}")
                ->assertSessionHasErrors($field);
        }
        $this->assertSame(
            [[1, null], [1, null]],
            Licence::query()->orderBy('id')->get()->map(fn(Licence $l): array => [$l->copies, $l->ends_at])->all(),
        );
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function badOrders(): iterable
    {
        yield 'nothing' => [[], 'do'];
        yield 'of another library' => [['do' => 'copies', 'licence' => 'OTHER', 'copies' => '9'], 'licence'];
        yield 'another library’s ended' => [['do' => 'end', 'licence' => 'OTHER'], 'licence'];
        yield 'no copies' => [['do' => 'copies', 'licence' => 'OWN', 'copies' => '0'], 'copies'];
        yield 'copies in words' => [['do' => 'copies', 'licence' => 'OWN', 'copies' => 'many'], 'copies'];
        yield 'ended in the past' => [['do' => 'end', 'licence' => 'OWN', 'ends' => '2026-04-30'], 'ends'];
        yield 'ended on no day' => [['do' => 'end', 'licence' => 'OWN', 'ends' => 'soon'], 'ends'];
        yield 'no model' => [['do' => 'add', 'copies' => '1'], 'model'];
        yield 'no loans where loans count' => [
            ['do' => 'add', 'model' => 'metered_by_loans', 'copies' => '1'],
            'loans',
        ];
        yield 'no end where time counts' => [['do' => 'add', 'model' => 'metered_by_time', 'copies' => '1'], 'ends'];
        yield 'an end before the start' => [
            [
                'do' => 'add',
                'model' => 'one_copy_one_user',
                'copies' => '1',
                'price' => '1',
                'starts' => '2026-06-01',
                'ends' => '2026-05-20',
            ],
            'ends',
        ];
        yield 'pay per loan for nothing' => [['do' => 'add', 'model' => 'pay_per_loan'], 'price'];
        yield 'no price' => [['do' => 'add', 'model' => 'simultaneous'], 'price'];
        yield 'a price in words' => [['do' => 'add', 'model' => 'simultaneous', 'price' => 'cheap'], 'price'];
    }

    public function test_turnaways_by_title_and_month_lead_to_each_one(): void
    {
        [$often, $once] = [$this->title('Often'), $this->title('Once')];
        $rows = [
            [$often, '2026-04-30 23:30:00+00', Refusal::NoCopyFree],
            [$often, '2026-05-01 00:30:00+00', Refusal::NoCopyFree],
            [$often, '2026-05-01 09:00:00+00', Refusal::NoLicence],
            [$once, '2026-02-02 09:00:00+00', Refusal::NoLicence],
            [$once, '2025-03-01 09:00:00+00', Refusal::NoLicence],
        ];
        foreach ($rows as [$title, $at, $reason]) {
            DB::table('turnaways')->insert([
                'library_id' => $this->library()->id,
                'title_id' => $title->id,
                'reason' => $reason->value,
                'happened_at' => $at,
            ]);
        }
        DB::table('turnaways')->insert([
            'library_id' => $this->library('larkspur')->id,
            'title_id' => $often->id,
            'reason' => 'no_licence',
            'happened_at' => '2026-05-01 09:00:00+00',
        ]);
        $this->be($this->staff(), 'staff');

        $this->get('/desk/turnaways')
            ->assertOk()
            ->assertSeeInOrder(['Often', 'Once']);
        $this->get('/desk/turnaways?reason=no_copy_free')->assertSee('Often')->assertDontSee('>Once</a>', false);
        $this->get('/desk/turnaways?month=2026-02')->assertSee('>Once</a>', false)->assertDontSee('>Often</a>', false);
        // Half past midnight in Greenwich is still April in the Azores, an hour behind in winter but not in May.
        $this->get("/desk/turnaways/{$often->id}?month=2026-05")
            ->assertSee('in May 2026')
            ->assertSeeInOrder(['No licence', 'No copy free'])
            ->assertSee('>2</b>', false);
        $this->get("/desk/turnaways/{$once->id}")->assertSee('>1</b>', false);
        $csv = $this->get('/desk/turnaways.csv')->streamedContent();
        $this->assertStringContainsString("{$often->id},Often,ebook,0,0,0,0,0,0,0,0,0,0,1,2,3\r\n", $csv);
        $this->assertSame(
            3,
            substr_count($this->get("/desk/turnaways/{$often->id}.csv?month=2026-05")->streamedContent(), "\r\n"),
        );
    }

    public function test_models_are_compared_with_prices_known_and_typed(): void
    {
        $this->licence($title = $this->title(), price: 5000);
        $this->be($this->staff(), 'staff');
        foreach (range(1, 12) as $n) {
            $this->borrow($card = $this->card(), $title);
            $this->travel(15)->days();
            Artisan::call('lending:tick');
        }
        $this->borrow($this->card(), $title);
        foreach (range(1, 4) as $n) {
            $this->hold($this->card(), $title);
        }
        $this->get("/desk/titles/{$title->id}")
            ->assertOk()
            ->assertSee('50.00')
            ->assertSee('cheapest loan')
            ->assertSee('type a price');
        $typed = [
            'money' => '120',
            'years' => '1',
            'offer' => [
                'pay_per_loan' => ['price' => '0,50'],
                'metered_by_loans' => ['price' => '20', 'copies' => '1', 'loans' => 'none'],
            ],
        ];
        $page = $this->get("/desk/titles/{$title->id}?" . http_build_query($typed))->assertOk();
        $this->assertMatchesRegularExpression(
            '~Pay per loan</b>.*?<td>\d+</td>\s*<td>[\d.]+</td>\s*<td\s+class="font-semibold">€0\.50</td>~s',
            (string) $page->getContent(),
        );
        $this->get("/desk/titles/{$title->id}?offer=x&money=lots&years=900&target=z&licence=x")->assertOk();
        $this->get("/desk/titles/{$title->id}?licence[]=1")->assertStatus(400);
    }

    public function test_a_password_for_somebody_new(): void
    {
        $this->library();
        $this->assertSame(1, Artisan::call('desk:staff', ['email' => 'new@saltmere.example']));
        $this->assertStringContainsString('--library=saltmere', Artisan::output());
        $this->assertSame(
            0,
            Artisan::call('desk:staff', [
                'email' => 'New@saltmere.example',
                '--library' => 'saltmere',
                '--name' => 'Una Brack',
            ]),
        );
        preg_match('/Password: (\S+)/', Artisan::output(), $m);
        $this->post('/desk/sign-in', ['email' => 'new@saltmere.example', 'password' => $m[1] ?? ''])->assertRedirect(
            '/desk/today',
        );
        $this->get('/desk/licences')->assertSee('Una Brack');
    }
}

<?php

declare(strict_types=1);

namespace Tests\App\Account;

use App\Account\Privacy\Terms;
use App\Lending\Loans\ReturnLoan;
use App\Models\Notice;
use App\Models\TitleRequest;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Tests\App\TestCase;

/** What is kept of people, and until when. */
final class TermsTest extends TestCase
{
    /** Tables that hold something of anybody without saying so by a key. */
    private const WITHOUT_KEY = ['sessions', 'jobs', 'failed_jobs', 'cache', 'sign_in_tries'];

    /** Of the library, though a key leads there: who of the staff did it, and which licence. */
    private const OF_STAFF = ['licence_changes'];

    public function test_every_table_that_leads_to_a_person_has_a_term(): void
    {
        $links = DB::select("select conrelid::regclass::text as child, confrelid::regclass::text as parent
            from pg_constraint where contype = 'f'");
        $reached = ['people', 'cards'];
        do {
            $before = count($reached);
            foreach ($links as $link) {
                // A loan has no card any more when it is forgotten; what hangs on it hangs on nobody then.
                if (in_array($link->parent, $reached, true)) {
                    $reached[] = $link->child;
                }
            }
            $reached = array_values(array_unique($reached));
        } while (count($reached) > $before);
        $known = array_keys(Terms::WITH_THE_PERSON + Terms::WITH_THE_LOAN + Terms::AFTER_A_TIME);

        $this->assertSame([], array_diff([...$reached, ...self::WITHOUT_KEY], $known, self::OF_STAFF));
        $this->assertSame([], array_diff($known, $reached, self::WITHOUT_KEY), 'of these nothing is kept');
        $this->assertSame([], array_diff(array_keys(Terms::statements($this->now())), array_keys(Terms::AFTER_A_TIME)));
    }

    public function test_half_an_hour_after_a_loan_nothing_leads_from_the_person_to_the_title(): void
    {
        $this->licence($title = $this->title('The Sunken Bell'), copies: 1);
        $card = $this->card();
        $loan = $this->borrow($card, $title);
        $this->travel(12)->days();
        Artisan::call('lending:tick');
        $this->assertSame(
            ['loan_due_soon'],
            Notice::query()->where('person_id', $card->person_id)->pluck('kind')->all(),
        );
        $this->be($card->person)->get('/notices')->assertSee('The Sunken Bell');
        app(ReturnLoan::class)($loan->id, CarbonImmutable::now());
        $this->travel(29)->minutes();
        Artisan::call('lending:tick');
        $this->assertNotSame([], $this->ways($card->person_id, $title->id, $title->name, $loan->id));
        $this->travel(2)->minutes();
        Artisan::call('lending:tick');

        $this->assertSame([], $this->ways($card->person_id, $title->id, $title->name, $loan->id));
        $this->get('/notices')->assertOk()->assertDontSee('The Sunken Bell')->assertSee('A loan or hold that is over');
        // Twice is once.
        Artisan::call('lending:tick');
        $this->assertSame(1, Notice::query()->where('person_id', $card->person_id)->count());
    }

    public function test_a_title_that_is_borrowed_again_is_still_named(): void
    {
        $this->licence($title = $this->title('The Sunken Bell'), copies: 1);
        $card = $this->card();
        $loan = $this->borrow($card, $title);
        $this->travel(12)->days();
        Artisan::call('lending:tick');
        app(ReturnLoan::class)($loan->id, CarbonImmutable::now());
        $this->borrow($card, $title);
        $this->travel(40)->minutes();
        Artisan::call('lending:tick');
        $this->be($card->person)->get('/notices')->assertSee('The Sunken Bell');
    }

    public function test_who_keeps_a_history_keeps_what_they_were_told(): void
    {
        $this->licence($title = $this->title('The Sunken Bell'), copies: 1);
        $card = $this->card();
        $card->person->update(['keeps_history' => true]);
        $loan = $this->borrow($card, $title);
        $this->travel(12)->days();
        Artisan::call('lending:tick');
        app(ReturnLoan::class)($loan->id, CarbonImmutable::now());
        $this->travel(40)->minutes();
        Artisan::call('lending:tick');
        $this->be($card->person)->get('/notices')->assertSee('The Sunken Bell');
    }

    public function test_notices_requests_and_sessions_end_after_their_time(): void
    {
        $card = $this->card();
        $staff = $this->staff();
        $title = $this->title('Wished');
        $now = $this->now();
        $notice = fn(string $key, int $days, ?int $readDaysAgo): Notice => Notice::query()->create([
            'person_id' => $card->person_id,
            'kind' => 'request_answered',
            'event_key' => $key,
            'facts' => ['name' => $key],
            'created_at' => $now->subDays($days),
            'read_at' => $readDaysAgo === null ? null : $now->subDays($readDaysAgo),
        ]);
        $notice('read long ago', 40, 30);
        $notice('read lately', 60, 29);
        $notice('never read', 90, null);
        $notice('not read yet', 89, null);
        $request = fn(string $state, ?int $answeredDaysAgo): TitleRequest => TitleRequest::query()->create([
            'library_id' => $card->library_id,
            'card_id' => $card->id,
            'title_id' => $title->id,
            'wants_notice' => true,
            'wants_hold' => false,
            'state' => $state,
            'asked_at' => $now->subDays(100),
            'answered_at' => $answeredDaysAgo === null ? null : $now->subDays($answeredDaysAgo),
            'staff_member_id' => $staff->id,
        ]);
        $open = $request('open', null);
        $old = $request('declined', 30);
        $new = $request('here', 29);
        $withdrawn = $request('withdrawn', null);
        foreach (['old' => 12 * 3600, 'new' => 3600] as $id => $ago) {
            DB::table('sessions')->insert([
                'id' => $id,
                'payload' => '',
                'last_activity' => $now->getTimestamp() - $ago,
            ]);
        }
        Artisan::call('privacy:keep-terms');

        $this->assertSame(
            ['not read yet', 'read lately'],
            Notice::query()->orderBy('event_key')->pluck('event_key')->all(),
        );
        $this->assertSame(
            [true, false, true, false],
            array_map(fn(TitleRequest $of): bool => $of->refresh()->card_id !== null, [$open, $old, $new, $withdrawn]),
        );
        $this->assertSame(['new'], DB::table('sessions')->pluck('id')->all());
        // What came of it stays known to the library, without who it was.
        $this->actingAs($staff, 'staff')
            ->get("/desk/requests/{$title->id}")
            ->assertOk()
            ->assertSee('declined');
        $this->be($card->person, 'web')->get('/requests')->assertOk()->assertSee('Wished');
    }

    /** One about a hold that still stands is what keeps it from being told a second time. */
    public function test_a_licence_that_is_gone_is_told_once_however_long_the_hold_stands(): void
    {
        $licence = $this->licence($title = $this->title(), copies: 1);
        $this->borrow($this->card(), $title);
        $card = $this->card();
        $this->hold($card, $title);
        $licence->update(['ends_at' => $this->now()->addDay()]);
        $told = fn(): array => Notice::query()
            ->where(['person_id' => $card->person_id, 'kind' => 'licence_gone'])
            ->pluck('id')
            ->all();
        $this->travel(3)->days();
        Artisan::call('lending:tick');
        $this->assertCount(1, $first = $told());
        Notice::query()->update(['read_at' => CarbonImmutable::now()]);
        for ($month = 0; $month < 5; $month++) {
            $this->travel(31)->days();
            Artisan::call('privacy:keep-terms');
            Artisan::call('lending:tick');
            $this->assertSame($first, $told(), 'none has taken its place');
        }
    }

    /**
     * Every row of every table in which the person and the title stand together, or the person and the loan.
     *
     * @return list<string>
     */
    private function ways(int $personId, int $titleId, string $name, int $loanId): array
    {
        $cards = DB::table('cards')->where('person_id', $personId)->pluck('id')->all();
        $found = [];
        foreach (DB::select("select tablename from pg_tables where schemaname = 'public'") as $table) {
            foreach (DB::select("select to_jsonb(t) as it from {$table->tablename} t") as $row) {
                $it = json_decode($row->it, true);
                $isTheirs = ($it['person_id'] ?? null) === $personId || in_array($it['card_id'] ?? null, $cards, true);
                $of = (string) json_encode($it, JSON_UNESCAPED_UNICODE);
                $names =
                    ($it['title_id'] ?? null) === $titleId ||
                    ($it['loan_id'] ?? null) === $loanId ||
                    str_contains($of, $name) ||
                    preg_match("/loan-[a-z-]+:{$loanId}\\b/", $of) === 1;
                if ($isTheirs && $names) {
                    $found[] = "{$table->tablename}: {$of}";
                }
            }
        }

        return $found;
    }
}

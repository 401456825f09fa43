<?php

declare(strict_types=1);

namespace Tests\App\Lending;

use App\Exchange\Mail\MailNotices;
use App\Exchange\Mail\NoticeMail;
use App\Models\Notice;
use App\Models\Person;
use FigPorch\Core\Lending\LicenceModel;
use Illuminate\Mail\Events\MessageSending;
use Illuminate\Mail\Transport\ArrayTransport;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Mail;
use RuntimeException;
use Tests\App\TestCase;

final class NoticeTest extends TestCase
{
    /** @return array<mixed> */
    private function kinds(Person $person): array
    {
        return DB::table('notices')->where('person_id', $person->id)->orderBy('id')->pluck('kind')->all();
    }

    /** @return list<mixed> */
    private function sent(): array
    {
        $transport = Mail::mailer()->getSymfonyTransport();

        return $transport instanceof ArrayTransport ? array_values($transport->messages()->all()) : [];
    }

    public function test_a_loan_is_announced_three_days_and_one_day_before_and_when_it_is_over_each_once(): void
    {
        Mail::fake();
        $this->licence($title = $this->title());
        $loan = $this->borrow($card = $this->card(), $title);
        foreach (
            [
                ['-73 hours', []],
                ['-71 hours', ['loan_due_soon']],
                ['-70 hours', ['loan_due_soon']],
                ['-23 hours', ['loan_due_soon', 'loan_due_tomorrow']],
                ['+1 minute', ['loan_due_soon', 'loan_due_tomorrow', 'loan_ended']],
            ]
            as [$when, $kinds]
        ) {
            $this->travelTo($loan->due_at->modify($when));
            Artisan::call('lending:tick');
            Artisan::call('lending:tick');
            $this->assertSame($kinds, $this->kinds($card->person), $when);
        }
        $this->workThroughQueue();
        Mail::assertSent(NoticeMail::class, 3);
    }

    public function test_hundreds_that_fall_due_together_are_each_announced_once_as_each_person_chose(): void
    {
        Mail::fake();
        $licence = $this->licence($title = $this->title(), LicenceModel::Simultaneous);
        $due = $this->now()->modify('+71 hours');
        $people = [];
        for ($n = 0; $n < 230; $n++) {
            $card = $this->card();
            $people[] = $card->person_id;
            DB::table('loans')->insert([
                'card_id' => $card->id,
                'title_id' => $title->id,
                'licence_id' => $licence->id,
                'length' => '14d',
                'started_at' => $due->modify('-14 days'),
                'due_at' => $due->modify("+{$n} seconds"),
            ]);
        }
        DB::table('notice_choices')->insert([
            [
                'person_id' => $people[0],
                'kind' => 'loan_due_soon',
                'shown' => false,
                'mailed' => false,
                'pushed' => false,
            ],
            [
                'person_id' => $people[1],
                'kind' => 'loan_due_soon',
                'shown' => true,
                'mailed' => false,
                'pushed' => false,
            ],
        ]);
        DB::table('people')
            ->where('id', $people[2])
            ->update(['email' => null]);
        DB::enableQueryLog();
        for ($tick = 0; $tick < 2; $tick++) {
            Artisan::call('lending:tick');
            $this->assertSame(
                [229, 229, 10],
                [
                    DB::table('notices')->count(),
                    DB::table('notices')
                        ->whereIn('person_id', $people)
                        ->where('shown', true)
                        ->distinct()
                        ->count('person_id'),
                    DB::table('jobs')->count(),
                ],
            );
        }
        $this->assertLessThan(60, count(DB::getQueryLog()), 'not one by one');
        $this->workThroughQueue();
        Mail::assertSent(NoticeMail::class, 227);
        $this->assertSame(
            $due->modify('+229 seconds')->format(DATE_ATOM),
            json_decode(DB::table('notices')->where('person_id', $people[229])->value('facts'))->due,
        );
    }

    public function test_a_scheduler_that_was_down_catches_up_without_announcing_the_past(): void
    {
        $this->licence($title = $this->title());
        $loan = $this->borrow($card = $this->card(), $title);
        $this->travelTo($loan->due_at->addDay());
        Artisan::call('lending:tick');
        $this->assertSame(['loan_ended'], $this->kinds($card->person));
        $this->assertEquals(
            $loan->due_at,
            $loan->refresh()->ended_at,
            'it ended when it was due, not when it was noticed',
        );
    }

    public function test_a_copy_about_to_go_on_is_announced(): void
    {
        $this->licence($title = $this->title());
        $loan = $this->borrow($this->card(), $title);
        $hold = $this->hold($card = $this->card(), $title);
        $this->travelTo($loan->due_at);
        Artisan::call('lending:tick');
        $this->travel(47)->hours();
        Artisan::call('lending:tick');
        $this->assertSame(['hold_ready'], $this->kinds($card->person));
        $this->travel(2)->hours();
        Artisan::call('lending:tick');
        Artisan::call('lending:tick');
        $this->assertSame(['hold_ready', 'hold_lapsing'], $this->kinds($card->person));
        $this->assertTrue($hold->refresh()->getAttribute('told'));
    }

    public function test_each_sees_and_reads_their_own(): void
    {
        [$one, $other] = [$this->card()->person, $this->card()->person];
        foreach ([$one, $other] as $n => $person) {
            Notice::query()->create([
                'person_id' => $person->id,
                'kind' => 'loan_ended',
                'event_key' => "loan-ended:{$n}",
                'facts' => ['title' => 1, 'name' => ['Low Water', 'High Tide'][$n]],
                'created_at' => $this->now(),
            ]);
        }

        $this->be($one)->get('/notices')->assertOk()->assertSee('Low Water')->assertDontSee('High Tide');
        $this->assertSame(
            [$other->id],
            Notice::query()->whereNull('read_at')->pluck('person_id')->all(),
            'only what was seen counts as seen',
        );
    }

    public function test_each_kind_can_be_turned_off(): void
    {
        Mail::fake();
        $card = $this->card();
        $this->be($card->person)
            ->post('/settings/notices', ['shown' => ['loan_ended' => '1'], 'mailed' => []])
            ->assertSessionHas('said');
        $this->licence($title = $this->title());
        $loan = $this->borrow($card, $title);
        foreach (['-71 hours', '+1 minute'] as $when) {
            $this->travelTo($loan->due_at->modify($when));
            Artisan::call('lending:tick');
        }
        $this->workThroughQueue();
        $this->assertSame(['loan_ended'], $this->kinds($card->person));
        Mail::assertNothingSent();
    }

    public function test_mail_goes_out_once_however_often_the_job_runs_and_again_only_if_it_was_refused(): void
    {
        $person = $this->card()->person;
        $notice = Notice::query()->create([
            'person_id' => $person->id,
            'kind' => 'loan_ended',
            'event_key' => 'x',
            'facts' => ['title' => $this->title()->id, 'name' => 'Low Water'],
            'created_at' => $this->now(),
        ]);
        config(['mail.default' => 'array']);
        $refuse = true;
        Event::listen(MessageSending::class, function () use (&$refuse): void {
            $refuse && throw new RuntimeException('421 try later');
        });
        try {
            (new MailNotices([$notice->id]))->handle();
            $this->fail('a refusal is an error of the job');
        } catch (RuntimeException) {
            $this->assertNull($notice->refresh()->getAttribute('mail_begun_at'));
        }
        $refuse = false;
        (new MailNotices([$notice->id]))->handle();
        (new MailNotices([$notice->id]))->handle();
        $this->assertCount(1, $this->sent());

        // A worker that died after it began: nobody knows whether the message went, so it is not sent again.
        $notice->update(['mail_begun_at' => $this->now(), 'mailed_at' => null]);
        (new MailNotices([$notice->id]))->handle();
        $this->assertCount(1, $this->sent());
    }

    public function test_a_mail_that_is_refused_or_slow_does_not_keep_back_those_after_it(): void
    {
        config(['mail.default' => 'array']);
        $notices = array_map(
            fn(int $n): int => Notice::query()->create([
                'person_id' => $this->card()->person_id,
                'kind' => 'loan_ended',
                'event_key' => (string) $n,
                'facts' => ['title' => 1, 'name' => "Low Water {$n}"],
                'created_at' => $this->now(),
            ])->id,
            range(1, 5),
        );
        $sending = fn(string $name): bool => true;
        Event::listen(MessageSending::class, function (MessageSending $event) use (&$sending): void {
            $sending((string) $event->message->getTextBody()) || throw new RuntimeException('550 no such box');
        });
        $mailed = fn(): array => Notice::query()->whereNotNull('mailed_at')->pluck('id')->sort()->values()->all();

        $sending = fn(string $text): bool => !str_contains($text, 'Low Water 3');
        MailNotices::dispatch($notices);
        $this->workThroughQueue();
        $this->assertSame(array_values(array_diff($notices, [$notices[2]])), $mailed());
        $sending = fn(): bool => true;
        $this->travel(10)->seconds();
        $this->workThroughQueue();
        $this->assertSame($notices, $mailed());
        $this->assertCount(5, $this->sent());

        Notice::query()->update(['mail_begun_at' => null, 'mailed_at' => null]);
        $sending = function (): bool {
            $this->travel(12)->seconds();

            return true;
        };
        (new MailNotices($notices))->handle();
        $this->assertSame([array_slice($notices, 0, 2), 1], [$mailed(), DB::table('jobs')->count()]);
        $this->workThroughQueue();
        $this->assertSame($notices, $mailed());
    }

    public function test_due_dates_as_a_calendar_with_an_address_that_can_be_renewed(): void
    {
        $this->licence($title = $this->title('Low, Water; and more'));
        $loan = $this->borrow($card = $this->card(), $title);
        $this->be($card->person)->post('/settings/calendar')->assertRedirect();
        $key = $card->person->refresh()->getAttribute('calendar_key');
        $this->assertSame(40, strlen($key));
        auth()->logout();
        $feed = $this->get("/calendar/{$key}.ics")
            ->assertOk()
            ->assertHeader('Content-Type', 'text/calendar; charset=utf-8')
            ->getContent();
        $this->assertStringContainsString('DTSTART:' . $loan->due_at->format('Ymd\THis\Z'), (string) $feed);
        $this->assertStringContainsString('Low\, Water\; and more', (string) $feed);

        $this->be($card->person)->post('/settings/calendar');
        $this->get("/calendar/{$key}.ics")->assertNotFound();
    }
}

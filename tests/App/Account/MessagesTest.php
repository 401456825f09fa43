<?php

declare(strict_types=1);

namespace Tests\App\Account;

use App\Account\Messages\MessageText;
use App\Account\Messages\SendMessages;
use App\Models\Message;
use App\Models\Notice;
use FigPorch\Core\Desk\StaffRole;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\TestCase;

/** What a library tells its patrons. */
final class MessagesTest extends TestCase
{
    /** @param  array<string, mixed>  $more */
    private function message(string $title, array $more = []): Message
    {
        return Message::query()->create([
            'library_id' => $this->library()->id,
            'texts' => ['en' => ['title' => $title, 'text' => 'Because of the **tide**.']],
            'first_day' => $this->now()->subDays(2)->format('Y-m-d'),
            ...$more,
        ]);
    }

    public function test_it_stands_where_and_for_whom_it_should(): void
    {
        $this->message('For all');
        $this->message('For pupils', ['groups' => ['student']]);
        $this->message('In the teen room', ['rooms' => ['teen']]);
        $this->message('Over', ['last_day' => $this->now()->subDays(2)->format('Y-m-d')]);
        $this->message('To come', ['first_day' => $this->now()->addDays(2)->format('Y-m-d')]);
        $this->message('Elsewhere', ['library_id' => $this->library('larkspur')->id]);
        $seen = function (string $address): array {
            preg_match_all('/<h2 id="message-\d+"[^>]*>([^<]+)/', (string) $this->get($address)->getContent(), $m);
            sort($m[1]);

            return $m[1];
        };

        $this->assertSame(['For all'], $seen('/?library=saltmere'));
        $this->assertSame(['In the teen room'], $seen('/rooms/teen?library=saltmere'));
        $this->assertSame([], $seen('/rooms/reading?library=saltmere'));
        $this->as($this->card());
        $this->assertSame(['For all'], $seen('/porch'));
        $this->as($this->card(group: 'student'));
        $this->assertSame(['For all', 'For pupils'], $seen('/porch'));
    }

    public function test_a_message_is_read_by_itself_only_while_it_stands_and_by_whom_it_is_for(): void
    {
        $open = $this->message('For all');
        $pupils = $this->message('For pupils', ['groups' => ['student']]);
        $come = $this->message('To come', ['first_day' => $this->now()->addDays(2)->format('Y-m-d')]);
        $this->get("/messages/{$open->id}?library=saltmere")
            ->assertOk()
            ->assertSee('<strong>tide</strong>', false);
        $this->get("/messages/{$pupils->id}?library=saltmere")->assertNotFound();
        $this->get("/messages/{$come->id}?library=saltmere")->assertNotFound();
        $this->as($this->card(group: 'student'))
            ->get("/messages/{$pupils->id}")
            ->assertOk();
        $this->as($this->card(group: 'adult'))
            ->get("/messages/{$pupils->id}")
            ->assertNotFound();
    }

    public function test_it_is_put_away_by_a_person_for_all_their_devices_and_by_a_browser_for_itself(): void
    {
        $message = $this->message('For all');
        $card = $this->card();
        $this->as($card)
            ->from('/porch')
            ->post("/messages/{$message->id}/put-away")
            ->assertRedirect('/porch');
        $this->post("/messages/{$message->id}/put-away");
        $this->get('/porch')->assertDontSee('For all');
        $this->as($this->card())->get('/porch')->assertSee('For all');
        $this->post('/sign-out');

        $answer = $this->post("/messages/{$message->id}/put-away?library=saltmere");
        $cookie = $answer->getCookie('put_away') ?? $this->fail('The browser keeps it.');
        $this->withCookie('put_away', (string) $cookie->getValue());
        $this->get('/?library=saltmere')->assertDontSee('For all');
    }

    public function test_each_reads_it_in_their_language_or_the_first_that_there_is(): void
    {
        $this->message('Closed', [
            'texts' => [
                'en' => ['title' => 'Closed', 'text' => 'Today.'],
                'es' => ['title' => 'Cerrada', 'text' => 'Hoy.'],
            ],
        ]);
        $this->message('English alone');
        $this->withUnencryptedCookie('locale', 'es')
            ->get('/?library=saltmere')
            ->assertSee('Cerrada')
            ->assertDontSee('>Closed<', false)
            ->assertSee('English alone')
            ->assertSee('lang="en"', false);
    }

    public function test_an_important_one_goes_out_once_to_each_whom_it_is_for_on_its_first_day(): void
    {
        $student = $this->card(group: 'student');
        $spanish = $this->card(group: 'student');
        $spanish->person->update(['locale' => 'es']);
        $adult = $this->card();
        $other = $this->card($this->library('larkspur'), group: 'student');
        $message = $this->message('Storm', [
            'is_important' => true,
            'groups' => ['student'],
            'texts' => [
                'en' => ['title' => 'Storm', 'text' => 'We **close** <b>early</b> & often.'],
                'es' => ['title' => 'Temporal', 'text' => 'Cerramos antes.'],
            ],
            'first_day' => $this->now()->addDays(3)->format('Y-m-d'),
        ]);
        $send = app(SendMessages::class);
        $send($this->now());
        $this->assertSame(0, Notice::query()->count());
        $this->travel(4)->days();
        $send($this->now());
        $message->refresh()->update(['told_at' => null]); // as if cut short before it was noted
        $send($this->now());
        $send($this->now());
        $people = Notice::query()->orderBy('person_id')->pluck('person_id')->all();
        $this->assertSame([$student->person_id, $spanish->person_id], $people);
        $this->assertNotContains($adult->person_id, $people);
        $this->assertNotContains($other->person_id, $people);
        $this->workThroughQueue();
        $mails = $this->sentMail()->messages()->map(fn($mail) => quoted_printable_decode($mail->toString()))->all();
        $this->assertCount(2, $mails);
        $this->assertStringContainsString('We close <b>early</b> & often.', $mails[0]);
        $this->assertStringContainsString('Temporal', $mails[1]);
        $this->assertStringContainsString("/messages/{$message->id}", $mails[1]);
    }

    /** @return array<string, array{string, list<string>, list<string>}> */
    public static function markdown(): array
    {
        return [
            'what is meant' => [
                "# Big\n\n**bold** [us](/catalogue)\n\n- one\n- two",
                ['<h3>Big</h3>', '<strong>bold</strong>', '<a href="/catalogue">us</a>', '<li>one</li>'],
                [],
            ],
            'HTML is text' => [
                '<img src=x onerror=alert(1)> <script>1</script>',
                ['&lt;script&gt;'],
                ['<img', '<script'],
            ],
            'a picture becomes its words' => [
                '![a *pier*](https://spy.example/p.png)',
                ['a <em>pier</em>'],
                ['<img', 'spy'],
            ],
            'a link that runs' => [
                '[x](javascript:alert(1)) [y](data:text/html,1)',
                ['x', 'y'],
                ['javascript', 'data:'],
            ],
            'a picture in a link' => [
                '[![p](https://spy.example/p.png)](https://lantern.example)',
                ['>p</a>'],
                ['spy'],
            ],
            'deep quotes end' => [str_repeat('>', 5000) . ' x', ['x'], []],
        ];
    }

    /**
     * @param  list<string>  $has
     * @param  list<string>  $hasNot
     */
    #[DataProvider('markdown')]
    public function test_its_markdown_is_small(string $text, array $has, array $hasNot): void
    {
        $html = (string) MessageText::html($text);
        foreach ($has as $words) {
            $this->assertStringContainsString($words, $html);
        }
        foreach ($hasNot as $words) {
            $this->assertStringNotContainsString($words, $html);
        }
    }

    public function test_staff_write_look_change_and_remove_one(): void
    {
        $this->card(group: 'student');
        $this->actingAs($staff = $this->staff(role: StaffRole::Lists), 'staff');
        $form = [
            'title_en' => 'Storm',
            'text_en' => 'We close at *four*.',
            'groups' => ['student', 'nobody'],
            'rooms' => ['teen', 'attic'],
            'last_day' => $this->now()->addDays(9)->format('Y-m-d'),
        ];
        $this->post('/desk/messages', [...$form, 'look' => '1'])
            ->assertOk()
            ->assertSee('<em>four</em>', false)
            ->assertSee('Nothing is kept yet');
        $this->assertSame(0, Message::query()->count());
        $this->post('/desk/messages', $form)->assertRedirect('/desk/messages');
        $message = Message::query()->firstOrFail();
        $this->assertSame(
            [['student'], ['teen'], $staff->library_id],
            [$message->groups, $message->rooms, $message->library_id],
        );
        $this->get('/desk/messages')->assertSee('Storm')->assertSee('stands now');
        $this->get("/desk/messages/{$message->id}")->assertSee('We close at *four*.');
        $this->post("/desk/messages/{$message->id}", ['title_en' => 'Calm', 'text_en' => 'We open.']);
        $this->assertSame('Calm', $message->refresh()->in('en')['title']);
        $this->post("/desk/messages/{$message->id}/remove");
        $this->assertSame(0, Message::query()->count());
        $this->actingAs($this->staff(), 'staff')->get('/desk/trail')->assertSee('Wrote a message');
    }

    public function test_what_cannot_be_put_up_says_why_and_is_not_lost(): void
    {
        $this->actingAs($this->staff(), 'staff');
        $refused = fn(array $form, string $field) => $this->from('/desk/messages/new')
            ->post('/desk/messages', $form)
            ->assertSessionHasErrors($field)
            ->assertSessionHasInput($form);
        $refused(['text_en' => 'No title'], 'title_en');
        $refused(['title_es' => 'Sin texto'], 'text_es');
        $refused(['is_important' => '1'], 'title_en');
        $refused(['title_en' => 'T', 'text_en' => str_repeat('x', 4001)], 'text_en');
        $refused(['title_en' => 'T', 'text_en' => 'x', 'first_day' => '2026-02-30'], 'first_day');
        $refused(
            ['title_en' => 'T', 'text_en' => 'x', 'first_day' => '2026-12-24', 'last_day' => '2026-12-23'],
            'last_day',
        );
        $this->assertSame(0, Message::query()->count());
    }
}

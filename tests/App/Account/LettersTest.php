<?php

declare(strict_types=1);

namespace Tests\App\Account;

use App\Models\Letter;
use App\Models\Notice;
use FigPorch\Core\Desk\StaffRole;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Tests\App\TestCase;

/** Writing to the library, and being answered. */
final class LettersTest extends TestCase
{
    private function write(string $text = 'The door is stuck.'): Letter
    {
        $this->post('/letters', ['text' => $text, 'about' => 'Loans /loans']);

        return Letter::query()->orderByDesc('id')->firstOrFail();
    }

    private function answer(Letter $letter, string $text): void
    {
        $seen = (string) $letter->parts()->max('id');
        $this->post("/desk/letters/{$letter->id}", ['text' => $text, 'seen' => $seen])->assertSessionHas('said');
    }

    public function test_every_page_and_every_refusal_lead_there_and_say_what_they_take_along(): void
    {
        $this->as($this->card());
        $about = urlencode('Loans /loans');
        $this->get('/loans')->assertSee('/letters/new?about=Loans%20%2Floans', false);
        $this->get("/letters/new?about={$about}")
            ->assertOk()
            ->assertSee('value="Loans /loans"', false);
        $this->withSession(['refusal' => 'No copy is free.'])
            ->get('/loans')
            ->assertSee('about=%2Floans%3A%20No%20copy%20is%20free.', false);
    }

    public function test_a_patron_writes_staff_answer_and_the_patron_is_told(): void
    {
        $card = $this->card();
        $this->as($card);
        $letter = $this->write();
        $this->get("/letters/{$letter->id}")
            ->assertSee('The door is stuck.')
            ->assertSee('not answered yet');
        $this->actingAs($this->staff(role: StaffRole::Lending), 'staff');
        $this->get('/desk/letters')->assertSee('The door is stuck.')->assertSee('Loans /loans');
        $this->get('/desk/today')->assertSee('letter to answer');
        $this->get("/desk/letters/{$letter->id}")->assertSee($card->person->name);
        $this->answer($letter, 'It is oiled now.');
        $this->assertFalse($letter->refresh()->waits);
        $this->get('/desk/letters')->assertDontSee('The door is stuck.');
        $this->get('/desk/letters?show=answered')->assertSee('It is oiled now.');

        $notice = Notice::query()->where('person_id', $card->person_id)->firstOrFail();
        $this->assertSame('letter_answered', $notice->kind);
        $this->as($card)->get('/notices')->assertSee('It is oiled now.');
        $this->workThroughQueue();
        $this->assertStringContainsString(
            "/letters/{$letter->id}",
            quoted_printable_decode((string) $this->sentMail()->messages()->last()?->toString()),
        );
        $this->post("/letters/{$letter->id}", ['text' => 'Thank you']);
        $this->assertTrue($letter->refresh()->waits);
        $this->assertSame(3, $letter->parts()->count());
    }

    public function test_who_has_no_card_is_answered_by_mail(): void
    {
        $this->withUnencryptedCookie('library', 'saltmere');
        $this->library();
        $this->post('/letters', ['text' => 'May I have a card?'])->assertSessionHasErrors('email');
        $this->post('/letters', ['text' => 'May I have a card?', 'email' => 'no address'])->assertSessionHasErrors(
            'email',
        );
        $this->post('/letters', ['text' => 'May I have a card?', 'email' => 'mo@lantern.example', 'name' => 'Mo'])
            ->assertRedirect('/letters/new')
            ->assertSessionHas('said');
        $letter = Letter::query()->firstOrFail();
        $this->get("/letters/{$letter->id}")->assertRedirect('/sign-in');
        $this->actingAs($this->staff(), 'staff');
        $this->answer($letter, "Yes.\nCome by.");
        $this->workThroughQueue();
        $mail = $this->sentMail()->messages()->last() ?? $this->fail('It was mailed.');
        $this->assertSame('mo@lantern.example', $mail->getEnvelope()->getRecipients()[0]->getAddress());
        $this->assertStringContainsString("Yes.\r\nCome by.", quoted_printable_decode($mail->toString()));
        $this->assertSame(0, Notice::query()->count());
    }

    public function test_an_answer_to_what_was_not_read_yet_is_not_sent_and_not_lost(): void
    {
        $card = $this->card();
        $this->as($card);
        $letter = $this->write();
        $seen = (string) $letter->parts()->max('id');
        $this->post("/letters/{$letter->id}", ['text' => 'It is solved.']);
        $this->actingAs($this->staff(), 'staff')
            ->post("/desk/letters/{$letter->id}", ['text' => 'We come tomorrow.', 'seen' => $seen])
            ->assertRedirect("/desk/letters/{$letter->id}")
            ->assertSessionHas('refusal')
            ->assertSessionHasInput('text', 'We come tomorrow.');
        $this->assertSame(2, $letter->parts()->count());
        $this->post("/desk/letters/{$letter->id}/lay");
        $this->assertFalse($letter->refresh()->waits);
    }

    public function test_too_much_too_often_or_nothing_at_all_is_refused(): void
    {
        $this->as($this->card());
        $this->from('/letters/new')
            ->post('/letters', ['text' => " \n "])
            ->assertSessionHasErrors('text');
        $long = str_repeat('x', 4001);
        $this->post('/letters', ['text' => $long])
            ->assertSessionHasErrors('text')
            ->assertSessionHasInput('text', $long);
        $this->post('/letters', ['text' => 'three']);
        $this->post('/letters', ['text' => 'four'])->assertStatus(429);
        $this->assertSame(1, Letter::query()->count());
    }

    public function test_a_letter_goes_a_year_after_its_last_word(): void
    {
        $this->as($this->card());
        $this->write();
        $this->travel(366)->days();
        Artisan::call('privacy:keep-terms');
        $this->assertSame(0, DB::table('letter_parts')->count());
    }
}

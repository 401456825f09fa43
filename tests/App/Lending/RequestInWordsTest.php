<?php

declare(strict_types=1);

namespace Tests\App\Lending;

use App\Lending\Licences\AddLicence;
use App\Models\Hold;
use App\Models\Title;
use App\Models\TitleRequest;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\RequestDecision;
use Illuminate\Support\Facades\DB;
use Tests\App\TestCase;

/** Titles that no catalogue knows: asked for in words, and what staff make of them. */
final class RequestInWordsTest extends TestCase
{
    private const WISHES = ['notice' => '1', 'hold' => '1'];

    /** A title with a row to be found by, as imported ones have. */
    private function known(string $name, ?string $isbn = null): Title
    {
        $title = $this->title($name);
        $title->update(['isbn' => $isbn]);
        DB::insert(
            "insert into search_rows (title_id, format, audience, added_at, stems, exact)
                values (?, 'ebook', 'adult', now(), '', search_exact(lower(?), 'tamsin ebbing', '', ''))
                on conflict (title_id) do update set exact = excluded.exact",
            [$title->id, $name],
        );

        return $title;
    }

    public function test_a_patron_asks_in_words_and_sees_it_among_their_requests(): void
    {
        $card = $this->card();
        $this->actingAs($card->person)
            ->get('/ask?name=The+Unheard+Of')
            ->assertOk()
            ->assertSee('value="The Unheard Of"', false);
        $this->post('/ask', [
            'name' => ' The Unheard Of ',
            'people' => 'Nobody Known',
            'format' => 'audiobook',
            'number' => '978-3-16-148410-0',
            ...self::WISHES,
        ])->assertRedirect('/requests');
        $this->post('/ask', [
            'name' => 'The Unheard Of',
            'people' => 'Nobody Known',
            'format' => 'audiobook',
            'number' => '9783161484100',
            'notice' => '1',
        ])->assertRedirect('/requests');
        $request = TitleRequest::query()->sole();
        $this->assertSame(
            ['The Unheard Of', 'Nobody Known', Format::Audiobook, '9783161484100', true, false],
            [
                $request->name,
                $request->people,
                $request->format,
                $request->number,
                $request->wants_notice,
                $request->wants_hold,
            ],
        );
        $this->get('/requests')
            ->assertSee('The Unheard Of')
            ->assertSee('Nobody Known')
            ->assertSee('You will be told when it is decided.');

        $this->post("/requests/{$request->id}/withdraw")
            ->assertRedirect('/requests')
            ->assertSessionHas('said', 'You no longer ask for “The Unheard Of”.');
        $this->assertSame('withdrawn', $request->refresh()->state);
    }

    public function test_what_is_known_already_is_shown_before_it_is_written_down(): void
    {
        $card = $this->card();
        $title = $this->known('The Far Water', '9783161484100');
        foreach ([['name' => 'far water'], ['name' => 'Something', 'number' => '9783161484100']] as $typed) {
            $this->actingAs($card->person)
                ->post('/ask', [...$typed, ...self::WISHES])
                ->assertOk()
                ->assertSee('Is it one of these?')
                ->assertSee("/titles/{$title->id}", false)
                ->assertSee("value=\"{$typed['name']}\"", false);
        }
        $this->assertSame(0, TitleRequest::query()->count());
        $this->post('/ask', ['name' => 'far water', 'none_of_them' => '1', ...self::WISHES])->assertRedirect(
            '/requests',
        );
        $this->assertSame(1, TitleRequest::query()->count());
    }

    public function test_what_is_missing_or_wrong_is_said_and_nothing_typed_is_lost(): void
    {
        $card = $this->card();
        foreach (
            [['name' => '  '], ['name' => 'A', 'number' => '978-3-16-148410-1'], ['name' => str_repeat('a', 201)], []]
            as $typed
        ) {
            $this->actingAs($card->person)->post('/ask', $typed)->assertRedirect('/ask')->assertSessionHas('refusal');
        }
        $this->followingRedirects()
            ->post('/ask', ['name' => 'Kept', 'people' => 'Also kept', 'number' => '123'])
            ->assertSee('value="Kept"', false)
            ->assertSee('value="Also kept"', false)
            ->assertSee('a digit may be wrong');
        $this->assertSame(0, TitleRequest::query()->count());
        $this->app['auth']->logout();
        $this->post('/ask', ['name' => 'A'])->assertRedirect('/sign-in');
    }

    public function test_as_many_as_a_card_can_ask_for_at_once_counts_both_kinds(): void
    {
        $card = $this->card();
        $this->actingAs($card->person)->post("/titles/{$this->title('Known')->id}/ask");
        for ($n = 1; $n < RequestDecision::MOST; $n++) {
            $this->post('/ask', ['name' => "Unknown {$n}"])->assertRedirect('/requests');
        }
        $this->post('/ask', ['name' => 'One more'])
            ->assertRedirect('/ask')
            ->assertSessionHas('refusal');
        $this->post("/titles/{$this->title('Known too')->id}/ask")->assertSessionHas('refusal');
        DB::table('cards')
            ->where('id', $card->id)
            ->update(['blocked_at' => now()]);
        TitleRequest::query()->delete();
        $this->post('/ask', ['name' => 'From a blocked card'])->assertSessionHas('refusal');
        $this->assertSame(0, TitleRequest::query()->count());
    }

    public function test_staff_say_which_title_it_is_and_a_licence_answers_it(): void
    {
        $card = $this->card();
        $this->actingAs($card->person)->post('/ask', ['name' => 'Far Watter, or Water', ...self::WISHES]);
        $asked = TitleRequest::query()->sole();
        $title = $this->known('Far Water');
        $this->actingAs($this->staff(), 'staff')
            ->get('/desk/requests')
            ->assertSee('Far Watter, or Water')
            ->assertSee('Titles that no catalogue here knows');
        $this->assertMatchesRegularExpression(
            '/^,"Far Watter, or Water",/m',
            $this->get('/desk/requests.csv')->assertOk()->streamedContent(),
        );
        $this->get("/desk/requests/words/{$asked->id}")
            ->assertOk()
            ->assertSee('Far Water')
            ->assertDontSee($card->person->name);
        $this->post("/desk/requests/words/{$asked->id}/name", ['title' => 'nothing of that name'])->assertSessionHas(
            'refusal',
        );
        $this->post("/desk/requests/words/{$asked->id}/name", [
            'title' => "http://127.0.0.1/titles/{$title->id}",
        ])->assertRedirect("/desk/requests/{$title->id}");
        $this->assertSame([$title->id, 'open'], [$asked->refresh()->title_id, $asked->state]);
        $this->get("/desk/requests/words/{$asked->id}")->assertNotFound();
        // Somebody else at the Desk was slower.
        $this->post("/desk/requests/words/{$asked->id}/name", ['title' => (string) $title->id])
            ->assertRedirect('/desk/requests')
            ->assertSessionHas('refusal');
        $this->post("/desk/requests/words/{$asked->id}/decline", ['why' => 'Too late.'])->assertRedirect(
            '/desk/requests',
        );
        $this->assertSame('open', $asked->refresh()->state);
        $this->actingAs($card->person)
            ->get('/requests')
            ->assertSee("/titles/{$title->id}", false);

        app(AddLicence::class)(
            libraryId: $this->library()->id,
            titleId: $title->id,
            model: LicenceModel::OneCopyOneUser,
            copies: 1,
            loans: null,
            startsAt: CarbonImmutable::now(),
            endsAt: null,
            now: CarbonImmutable::now(),
        );
        $this->assertSame('here', $asked->refresh()->state);
        $this->assertSame(['ready'], Hold::query()->pluck('state')->map(fn($state) => $state->value)->all());
    }

    public function test_where_the_library_has_the_title_naming_it_is_the_answer(): void
    {
        $card = $this->card();
        $this->actingAs($card->person)->post('/ask', ['name' => 'It is here under another name', ...self::WISHES]);
        $asked = TitleRequest::query()->sole();
        $this->licence($title = $this->known('Low Water', '9783161484100'));
        $this->actingAs($this->staff(), 'staff')
            ->post("/desk/requests/words/{$asked->id}/name", ['title' => '978-3-16-148410-0'])
            ->assertRedirect('/desk/requests');
        $this->assertSame(['here', $title->id], [$asked->refresh()->state, $asked->title_id]);
        $this->assertSame(
            ['request_answered', 'hold_ready'],
            DB::table('notices')->where('person_id', $card->person_id)->orderBy('id')->pluck('kind')->all(),
        );
        $this->assertEveryCountIsTrue();
    }

    public function test_an_address_that_is_guessed_leads_nowhere(): void
    {
        $other = $this->library('cinder-point');
        $this->actingAs($this->staff(), 'staff');
        foreach (['0', '999999999', '99999999999999999999'] as $id) {
            $this->get("/desk/requests/words/{$id}")->assertNotFound();
        }
        $this->actingAs(($card = $this->card())->person, 'web');
        foreach (['999999999', '99999999999999999999'] as $id) {
            $this->post("/requests/{$id}/withdraw")->assertNotFound();
        }
        $this->post('/ask?library=' . $other->slug, ['name' => 'Elsewhere'])
            ->assertRedirect('/ask')
            ->assertSessionHas('refusal');
        $this->assertSame(0, TitleRequest::query()->where('card_id', $card->id)->count());
    }

    public function test_who_asks_for_the_title_already_asks_once(): void
    {
        $card = $this->card();
        $title = $this->known('Far Water');
        $this->actingAs($card->person)->post("/titles/{$title->id}/ask", ['hold' => '1']);
        $this->post('/ask', ['name' => 'That one by the sea', 'notice' => '1']);
        $asked = TitleRequest::query()->whereNull('title_id')->sole();
        $this->actingAs($this->staff(), 'staff')->post("/desk/requests/words/{$asked->id}/name", [
            'title' => (string) $title->id,
        ]);
        $one = TitleRequest::query()->sole();
        $this->assertSame([$title->id, true, true], [$one->title_id, $one->wants_notice, $one->wants_hold]);
    }

    public function test_a_request_in_words_is_declined_with_a_word_and_told(): void
    {
        $card = $this->card();
        $this->actingAs($card->person)->post('/ask', ['name' => 'The Unheard Of', 'notice' => '1']);
        $asked = TitleRequest::query()->sole();
        $this->actingAs($this->staff(), 'staff')
            ->post("/desk/requests/words/{$asked->id}/decline", ['why' => ''])
            ->assertSessionHas('refusal');
        $this->post("/desk/requests/words/{$asked->id}/decline", ['why' => 'Nobody sells it.'])->assertRedirect(
            '/desk/requests',
        );
        $this->assertSame(['declined', 'Nobody sells it.'], [$asked->refresh()->state, $asked->answer]);
        $this->actingAs($card->person)->get('/requests')->assertSee('Nobody sells it.')->assertSee('Not for now');
        $this->get('/notices')->assertOk()->assertSee('The Unheard Of');
        $this->actingAs($this->staff($this->library('cinder-point')), 'staff')
            ->post("/desk/requests/words/{$asked->id}/decline", ['why' => 'x'])
            ->assertNotFound();
    }

    public function test_staff_of_another_library_see_none_of_it(): void
    {
        $this->actingAs($this->card()->person)->post('/ask', ['name' => 'The Unheard Of']);
        $asked = TitleRequest::query()->sole();
        $this->flushSession();
        $this->actingAs($this->staff($this->library('cinder-point')), 'staff')
            ->get('/desk/requests')
            ->assertDontSee('The Unheard Of');
        foreach (['get' => '', 'post' => '/name'] as $method => $path) {
            $this->{$method}("/desk/requests/words/{$asked->id}{$path}", ['title' => '1'])->assertNotFound();
        }
        $this->assertSame('open', $asked->refresh()->state);
    }
}

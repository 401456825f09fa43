<?php

declare(strict_types=1);

namespace Tests\App\Lending;

use App\Lending\Requests\AskForTitle;
use App\Models\Hold;
use App\Models\TitleRequest;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\RequestDecision;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Tests\App\TestCase;

final class RequestTest extends TestCase
{
    public function test_a_patron_asks_for_a_title_and_sees_it_among_their_requests(): void
    {
        $this->library();
        $card = $this->card();
        $title = $this->title('Far Water');
        $this->actingAs($card->person)
            ->get("/titles/{$title->id}")
            ->assertSee('Not here yet')
            ->assertSee("/titles/{$title->id}/ask", false);
        $this->get("/titles/{$title->id}/ask")
            ->assertOk()
            ->assertSee('Put me in line when it comes');
        $this->post("/titles/{$title->id}/ask", ['notice' => '1'])->assertRedirect('/requests');
        $this->post("/titles/{$title->id}/ask", ['notice' => '1', 'hold' => '1']);
        $this->get('/requests')->assertSee('Far Water')->assertSee('You will be put in line when it comes.');
        $this->assertSame(1, TitleRequest::query()->count(), 'asked again, the wishes are set anew');
        $this->get("/titles/{$title->id}")->assertSee('Asked for');

        $this->post('/requests/' . TitleRequest::query()->value('id') . '/withdraw')->assertRedirect('/requests');
        $this->get('/requests')->assertDontSee('You will be put in line');
    }

    public function test_what_a_library_has_or_a_card_is_not_for_cannot_be_asked_for_nor_too_much_at_once(): void
    {
        $card = $this->card(group: 'adult');
        $this->licence($held = $this->title('Here'));
        $this->actingAs($card->person)
            ->followingRedirects()
            ->post("/titles/{$held->id}/ask", ['notice' => '1'])
            ->assertSee('there is no need to ask for it', false);
        $this->get("/titles/{$held->id}/ask")->assertRedirect("/titles/{$held->id}");
        DB::table('loan_rules')->insert([
            'library_id' => $card->library_id,
            'patron_group' => 'student',
            'audience_ceiling' => 'teen',
        ]);
        $student = $this->card(group: 'student');
        $title = $this->title('For adults', audience: Audience::Adult);
        $this->actingAs($student->person)
            ->post("/titles/{$title->id}/ask")
            ->assertSessionHas('refusal');
        for ($i = 0; $i < RequestDecision::MOST; $i++) {
            $this->actingAs($card->person)
                ->post("/titles/{$this->title("Wanted {$i}")->id}/ask")
                ->assertSessionMissing('refusal');
        }
        $this->post("/titles/{$title->id}/ask")->assertSessionHas('refusal');
        $this->assertSame(RequestDecision::MOST, TitleRequest::query()->count());
    }

    public function test_nobody_withdraws_the_request_of_another(): void
    {
        $title = $this->title();
        $this->actingAs($this->card()->person)->post("/titles/{$title->id}/ask");
        $this->actingAs($this->card()->person)
            ->post('/requests/' . TitleRequest::query()->value('id') . '/withdraw')
            ->assertNotFound();
        $this->assertSame('open', TitleRequest::query()->value('state'));
    }

    public function test_when_the_title_comes_those_who_asked_are_in_line_before_its_copies_are_given_out(): void
    {
        $title = $this->title('Far Water');
        [$first, $second, $third] = [$this->card(), $this->card(), $this->card()];
        foreach (
            [
                [$first, ['notice' => '1', 'hold' => '1']],
                [$second, ['notice' => '1', 'hold' => '1']],
                [$third, ['notice' => '1']],
            ]
            as [$card, $wishes]
        ) {
            $this->actingAs($card->person)->post("/titles/{$title->id}/ask", $wishes);
            $this->travel(1)->minutes();
        }
        $this->licence($title, copies: 1, starts: 'now');

        $this->assertSame(
            [[$first->id, 'ready'], [$second->id, 'waiting']],
            Hold::query()->orderBy('line_at')->get()->map(fn(Hold $h): array => [$h->card_id, $h->state->value])->all(),
        );
        $this->assertSame(['here', 'here', 'here'], TitleRequest::query()->orderBy('id')->pluck('state')->all());
        $told = fn($card): array => DB::table('notices')
            ->where('person_id', $card->person_id)
            ->orderBy('id')
            ->pluck('kind')
            ->all();
        $this->assertSame(['request_answered', 'hold_ready'], $told($first));
        $this->assertSame(['request_answered'], $told($second));
        $this->assertSame(['request_answered'], $told($third));
        $this->actingAs($third->person)
            ->get('/notices')
            ->assertSee('“Far Water” has come')
            ->assertSee('Borrow it, or place a hold');
        $this->actingAs($second->person)->get('/notices')->assertSee('you are in line');
        $this->assertEveryCountIsTrue();
    }

    public function test_a_shared_licence_answers_those_of_the_whole_consortium_and_another_library_s_does_not(): void
    {
        $consortium = DB::table('consortia')->insertGetId(['name' => 'Lantern Coast Libraries']);
        [$saltmere, $hollow] = [$this->library('saltmere', $consortium), $this->library('hollow', $consortium)];
        $title = $this->title();
        $this->actingAs($this->card($saltmere)->person)->post("/titles/{$title->id}/ask?library=saltmere", [
            'notice' => '1',
        ]);
        $this->licence($title, LicenceModel::MeteredByLoans, copies: 1, loans: 26, library: $hollow);
        $this->assertSame('open', TitleRequest::query()->value('state'));
        $this->licence($title, copies: 1, library: $hollow, shared: true);
        $this->assertSame('here', TitleRequest::query()->value('state'));
    }

    public function test_staff_see_requests_by_title_without_names_and_decline_with_a_word(): void
    {
        $title = $this->title('Far Water', Format::Audiobook);
        foreach ([$this->card(), ($one = $this->card())] as $card) {
            $this->actingAs($card->person)->post("/titles/{$title->id}/ask", ['notice' => '1', 'hold' => '1']);
        }
        $this->actingAs($this->staff(), 'staff')
            ->get('/desk/requests')
            ->assertSee('Far Water')
            ->assertSee('2 open requests')
            ->assertDontSee($one->person->name);
        $this->get("/desk/requests/{$title->id}")
            ->assertSee('2 open requests')
            ->assertDontSee($one->person->name);
        $this->assertStringContainsString('Far Water', $this->get('/desk/requests.csv')->streamedContent());
        $this->assertSame(3, substr_count($this->get("/desk/requests/{$title->id}.csv")->streamedContent(), "\n"));

        $this->post("/desk/requests/{$title->id}/decline", ['why' => ''])->assertSessionHas('refusal');
        $this->assertSame(2, TitleRequest::query()->where('state', 'open')->count());
        $this->post("/desk/requests/{$title->id}/decline", ['why' => 'It is out of print.'])->assertRedirect(
            '/desk/requests',
        );
        $this->assertSame(2, TitleRequest::query()->where('state', 'declined')->count());
        $this->actingAs($one->person)
            ->get('/notices')
            ->assertSee('will not be got for now')
            ->assertSee('It is out of print.');
        $this->actingAs($this->staff($this->library('hollow')), 'staff')
            ->get('/desk/requests')
            ->assertDontSee('Far Water');
    }

    public function test_a_title_that_comes_later_is_not_said_to_be_here(): void
    {
        $title = $this->title('Far Water');
        [$first, $second] = [$this->card(), $this->card()];
        $this->actingAs($first->person)->post("/titles/{$title->id}/ask", ['notice' => '1', 'hold' => '1']);
        $this->actingAs($second->person)->post("/titles/{$title->id}/ask", ['notice' => '1']);
        $this->licence($title, starts: '+1 month');
        $this->get('/notices')
            ->assertSee('“Far Water” is coming')
            ->assertSee('It can be borrowed from Monday, 1 June 2026')
            ->assertDontSee('has come');
        $this->actingAs($first->person)->get('/notices')->assertSee('you are in line');
        $this->assertSame('waiting', Hold::query()->firstOrFail()->state->value);
    }

    public function test_a_request_made_while_the_title_is_being_got_waits_to_see_it(): void
    {
        $title = $this->title();
        $card = $this->card();
        config(['database.connections.other' => config('database.connections.pgsql')]);
        $other = DB::connection('other');
        $other->beginTransaction();
        $other->select('select from titles where id = ? for no key update', [$title->id]);
        DB::statement("set lock_timeout = '200ms'");
        try {
            app(AskForTitle::class)($card, $title, true, true, $this->now());
            $this->fail('It waits.');
        } catch (QueryException $waited) {
            $this->assertSame('55P03', $waited->getCode());
        } finally {
            DB::statement('reset lock_timeout');
            $other->rollBack();
            $other->disconnect();
        }
        $this->assertSame(0, TitleRequest::query()->count());
        $this->assertNull(app(AskForTitle::class)($card, $title, true, true, $this->now()));
    }
}

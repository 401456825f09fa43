<?php

declare(strict_types=1);

namespace Tests\App\Desk;

use App\Lending\Cards\EraseCard;
use App\Lending\Cards\MergeCards;
use App\Lending\Requests\AskForTitle;
use App\Models\Basket;
use App\Models\Card;
use App\Models\Hold;
use App\Models\Library;
use App\Models\Loan;
use App\Models\Person;
use App\Models\StaffMember;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Desk\StaffRole;
use FigPorch\Core\Lending\HoldState;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\TestCase;

/** Patrons at the Desk: found, served, and never told on. */
final class PatronsTest extends TestCase
{
    private StaffMember $staff;

    protected function setUp(): void
    {
        parent::setUp();
        $this->staff = $this->staff(role: StaffRole::Lending);
        $this->atDesk();
    }

    private function atDesk(): void
    {
        $this->app['auth']->forgetGuards();
        $this->flushSession();
        $this->be($this->staff->unsetRelations(), 'staff');
    }

    private function asPatron(Card $card): void
    {
        $this->app['auth']->forgetGuards();
        $this->flushSession();
        Auth::shouldUse('web');
        $this->as($card->refresh());
    }

    private function of(string $name, ?string $email = null, ?Library $library = null): Card
    {
        return $this->card($library, person: Person::query()->create(['name' => $name, 'email' => $email]));
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function sought(): iterable
    {
        yield 'part of a name' => ['marsh', ['Ida Marsh', 'Tobias Marshall']];
        yield 'two parts in any order' => ['marsh ida', ['Ida Marsh']];
        yield 'without accents' => ['inigo saez', ['Íñigo Sáez']];
        yield 'with accents' => ['ÍÑIGO', ['Íñigo Sáez']];
        yield 'another script' => ['мария', ['Мария Лу']];
        yield 'a mail address' => ['tobias@dunmere', ['Tobias Marshall']];
        yield 'signs that stand for others' => ['%', []];
        yield 'an underscore' => ['_', ['Low_Water']];
        yield 'a hyphen' => ['-', []];
        yield 'a dash' => ['–', []];
        yield 'a backslash' => ['\\', []];
        yield 'an apostrophe' => ["o'b", ["Nora O'Brien"]];
        yield 'nobody' => ['zzz', []];
    }

    /** @param  list<string>  $expected */
    #[DataProvider('sought')]
    public function test_patrons_are_found_by_words(string $find, array $expected): void
    {
        foreach (['Íñigo Sáez', 'Ida Marsh', "Nora O'Brien", 'Мария Лу', 'Low_Water'] as $name) {
            $this->of($name);
        }
        $this->of('Tobias Marshall', 'Tobias@Dunmere.example');
        $this->of('Ida Marsh of elsewhere', null, $this->library('larkspur'));
        $page = $this->get('/desk/patrons?' . http_build_query(['find' => $find]))
            ->assertOk()
            ->viewData('page');
        $names = array_map(fn(Card $c): string => $c->person->name, $page->items());
        $expected =
            $find === 'ñ' ? array_values(array_filter($names, fn($n) => stripos($n, 'n') !== false)) : $expected;
        $this->assertSame($expected, $names);
    }

    public function test_a_number_leads_to_its_card_and_its_beginning_to_those_that_begin_so(): void
    {
        $card = $this->of('Ida Marsh');
        $this->get("/desk/patrons?find={$card->number}")->assertRedirect("/desk/cards/{$card->id}");
        $this->get('/desk/patrons?find=2100')->assertOk()->assertSee('Ida Marsh');
        $this->get('/desk/patrons?find=1100')->assertOk()->assertDontSee('Ida Marsh');
        $other = $this->of('Far Away', null, $this->library('larkspur'));
        $this->get("/desk/patrons?find={$other->number}")
            ->assertOk()
            ->assertDontSee('Far Away');
    }

    public function test_cards_are_sought_by_group_and_state(): void
    {
        $this->of('Plain');
        $this->of('Blocked')->update(['blocked_at' => $this->now()]);
        $this->of('Over')->update(['expires_at' => $this->now()->subSecond()]);
        $this->of('Ending')->update(['expires_at' => $this->now()->addDays(20)]);
        $this->of('Later')->update(['expires_at' => $this->now()->addDays(40), 'patron_group' => 'teen']);
        foreach (['blocked' => 'Blocked', 'expired' => 'Over', 'ending' => 'Ending'] as $state => $name) {
            $page = $this->get("/desk/patrons?state={$state}")->viewData('page');
            $this->assertSame([$name], array_map(fn(Card $c): string => $c->person->name, $page->items()));
        }
        $page = $this->get('/desk/patrons?group=teen&state=x')->viewData('page');
        $this->assertSame(['Later'], array_map(fn(Card $c): string => $c->person->name, $page->items()));
    }

    public function test_a_card_is_given_out_with_the_next_number_and_a_pin_that_lets_in(): void
    {
        $last = $this->of('Somebody');
        $this->get('/desk/patrons/new')->assertOk();
        $this->post('/desk/patrons', ['name' => 'Ida Marsh', 'group' => 'adult', 'expires' => '2027-06-30']);
        $card = Card::query()->latest('id')->with('person')->firstOrFail();
        $this->assertSame((string) (1 + (int) $last->number), $card->number);
        // The last second of the day at the library.
        $this->assertSame('2027-06-30T23:59:59+00:00', $card->expires_at?->setTimezone('Atlantic/Azores')->format('c'));
        $page = (string) $this->get("/desk/cards/{$card->id}")
            ->assertOk()
            ->getContent();
        $this->assertSame(1, preg_match('~>(\d{6})</b>~', $page, $pin));
        $this->assertStringNotContainsString($pin[1], (string) json_encode(DB::table('sessions')->get()));
        $this->assertDoesNotMatchRegularExpression(
            "~>{$pin[1]}<~",
            (string) $this->get("/desk/cards/{$card->id}")->getContent(),
            'it is shown once',
        );
        $this->app['auth']->forgetGuards();
        Auth::shouldUse('web');
        $this->withUnencryptedCookie('library', 'saltmere');
        $this->post('/sign-in', ['number' => $card->number, 'pin' => $pin[1]])->assertRedirect('/porch');
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrongCards(): iterable
    {
        $good = ['name' => 'Ida Marsh', 'group' => 'adult'];
        yield 'no name' => [['name' => ''] + $good, 'name'];
        yield 'a long name' => [['name' => str_repeat('x', 121)] + $good, 'name'];
        yield 'a group that is none' => [['group' => 'pirate'] + $good, 'group'];
        yield 'a number with signs' => [['number' => '12/34'] + $good, 'number'];
        yield 'a number that somebody has' => [['number' => '21000002'] + $good, 'number'];
        yield 'no mail address' => [['email' => 'ida'] + $good, 'email'];
        yield 'no day' => [['expires' => '2027-02-31'] + $good, 'expires'];
    }

    /** @param  array<string, mixed>  $form */
    #[DataProvider('wrongCards')]
    public function test_a_card_that_cannot_be_is_refused_with_a_reason(array $form, string $field): void
    {
        $this->of('Somebody');
        $this->from('/desk/patrons/new')->post('/desk/patrons', $form)->assertSessionHasErrors($field);
        $this->assertSame(1, Card::query()->count());
    }

    public function test_a_blocked_card_borrows_nothing_and_its_patron_reads_why(): void
    {
        $card = $this->card();
        $this->licence($title = $this->title());
        $this->post("/desk/cards/{$card->id}/block", ['reason' => ''])->assertSessionHas('refusal');
        $this->post("/desk/cards/{$card->id}/block", ['reason' => 'Come and see <us>.']);
        $this->asPatron($card);
        $this->followingRedirects()
            ->post("/titles/{$title->id}/borrow")
            ->assertSee('Come and see &lt;us&gt;.', false);
        $this->assertSame(0, Loan::query()->count());

        $this->atDesk();
        $this->followingRedirects()
            ->get("/desk/cards/{$card->id}")
            ->assertSee('Come and see');
        $this->post("/desk/cards/{$card->id}/unblock");
        $this->borrow($card->refresh(), $title);
        $this->assertNull($card->block_reason);
    }

    public function test_a_free_copy_goes_to_whose_card_is_unblocked_or_renewed(): void
    {
        $licence = $this->licence($title = $this->title());
        $loan = $this->borrow($this->card(), $title);
        $blocked = $this->card();
        $hold = $this->hold($blocked, $title);
        $this->post("/desk/cards/{$blocked->id}/block", ['reason' => 'Wait.']);
        app(\App\Lending\Loans\ReturnLoan::class)($loan->id, $this->now());
        $this->assertSame(1, $licence->refresh()->copies_free);
        $this->post("/desk/cards/{$blocked->id}/unblock");
        $this->assertSame(HoldState::Ready, $hold->refresh()->state);
        $this->assertEveryCountIsTrue();
    }

    public function test_a_lost_card_is_replaced_and_the_old_number_lets_nobody_in(): void
    {
        $card = $this->card(pin: '4071');
        $taken = $this->card();
        $this->licence($title = $this->title());
        $this->borrow($card, $title);
        $this->post("/desk/cards/{$card->id}/replace", ['number' => $taken->number])->assertSessionHas('refusal');
        $this->post("/desk/cards/{$card->id}/replace", ['number' => 'a/b'])->assertSessionHas('refusal');
        $this->post("/desk/cards/{$card->id}/replace");
        $this->assertSame([(string) (1 + (int) $taken->number), 1], [$card->refresh()->number, $card->loans_open]);
        $this->assertTrue(Hash::check('4071', (string) $card->pin_hash));
        $this->post("/desk/cards/{$card->id}/pin");
        $this->assertFalse(Hash::check('4071', (string) $card->refresh()->pin_hash));
    }

    public function test_titles_are_shown_only_where_help_is_asked_for_and_that_is_written_down(): void
    {
        $card = $this->card();
        $this->licence($one = $this->title('Low Water'));
        $this->licence($two = $this->title('High Water'));
        $loan = $this->borrow($card, $one);
        $this->borrow($this->card(), $two);
        $hold = $this->hold($card, $two);
        $this->get("/desk/cards/{$card->id}")
            ->assertOk()
            ->assertSee('1 of')
            ->assertDontSee('Water');
        $this->get('/desk/patrons')->assertDontSee('Water');
        $this->assertSame(0, DB::table('desk_changes')->count());
        $this->post("/desk/cards/{$card->id}/help")
            ->assertOk()
            ->assertSee('Low Water')
            ->assertSee('High Water');
        $this->post("/desk/cards/{$card->id}/loans/{$loan->id}/return")->assertRedirect();
        $this->post("/desk/cards/{$card->id}/holds/{$hold->id}/cancel")->assertRedirect();
        $this->assertSame([0, 0], [$card->refresh()->loans_open, $card->holds_open]);
        $this->assertSame(
            ['card_helped', 'card_returned', 'card_cancelled'],
            DB::table('desk_changes')->orderBy('id')->pluck('what')->all(),
        );
        $this->assertStringNotContainsString('Water', (string) json_encode(DB::table('desk_changes')->get()));
        // Of another card than the address says.
        $other = $this->card();
        $theirs = $this->borrow($other, $one);
        $this->post("/desk/cards/{$card->id}/loans/{$theirs->id}/return")->assertNotFound();
        $this->assertNull($theirs->refresh()->ended_at);
    }

    public function test_the_library_confirms_who_looks_after_a_childs_card(): void
    {
        DB::table('loan_rules')->insert([
            'library_id' => $this->library()->id,
            'patron_group' => 'child',
            'audience_ceiling' => 'child',
        ]);
        $adult = $this->of('Ida Marsh');
        $child = $this->card(group: 'child');
        $stranger = $this->of('Low Water', library: $this->library('larkspur'));
        $confirm = fn(Card $of, string $number) => $this->post("/desk/cards/{$of->id}/household", ['adult' => $number]);
        $refused = fn(string $why): string => __("patrons.household_refused.{$why}");
        $confirm($child, '999999999')->assertSessionHas('refusal', $refused('unknown'));
        $confirm($child, $stranger->number)->assertSessionHas('refusal');
        $confirm($child, $child->number)->assertSessionHas('refusal', $refused('own'));
        $confirm($child, $this->card(group: 'child')->number)->assertSessionHas('refusal', $refused('young'));
        $confirm($this->of('Tobias Marshall'), $adult->number)->assertSessionHas('refusal', $refused('grown_up'));
        $this->assertSame(0, DB::table('household_cards')->count());
        $confirm($child, $adult->number)->assertSessionHas('said', 'Ida Marsh looks after this card now.');
        $this->get("/desk/cards/{$child->id}")
            ->assertSee('Ida Marsh')
            ->assertSee('Confirmed who looks after a card');
        $this->asPatron($adult);
        $this->get('/household')->assertSee($child->person->name);
        // Who has no card here is not named here.
        DB::table('household_cards')->insert([
            'person_id' => $stranger->person_id,
            'card_id' => $child->id,
            'since' => now(),
        ]);
        $this->atDesk();
        $this->get("/desk/cards/{$child->id}")
            ->assertDontSee('Low Water')
            ->assertSee('somebody with a card of another');
        $this->post("/desk/cards/{$child->id}/household/end", ['adult' => (string) $adult->person_id]);
        $this->post("/desk/cards/{$child->id}/household/end", ['adult' => 'all']);
        $this->assertSame([$stranger->person_id], DB::table('household_cards')->pluck('person_id')->all());
        $this->assertSame(1, DB::table('desk_changes')->where('what', 'household_ended')->count());
    }

    public function test_who_has_a_card_elsewhere_is_not_renamed_from_here(): void
    {
        $card = $this->of('Ida Marsh');
        $this->card($this->library('larkspur'), person: $card->person);
        $this->post("/desk/cards/{$card->id}", ['name' => 'Other', 'group' => 'adult', 'class' => '7b']);
        $this->assertSame(['Ida Marsh', '7b'], [$card->person->refresh()->name, $card->refresh()->class]);
        $alone = $this->of('Tobias');
        $this->post("/desk/cards/{$alone->id}", [
            'name' => 'Tobias Reed',
            'group' => 'adult',
            'email' => 't@l.example',
        ]);
        $this->assertSame('Tobias Reed', $alone->person->refresh()->name);
        $this->assertStringNotContainsString('Reed', (string) json_encode(DB::table('desk_changes')->get()));
    }

    public function test_an_erased_card_leaves_counts_and_nobody_in_them(): void
    {
        $card = $this->card();
        $person = $card->person;
        $this->licence($one = $this->title());
        $this->licence($two = $this->title());
        $this->licence($three = $this->title());
        $this->borrow($this->card(), $two);
        $this->hold($card, $two);
        $loan = $this->borrow($card, $three);
        $next = $this->hold($this->card(), $three);
        app(AskForTitle::class)($card, $this->title('Not here'), true, false, $this->now());
        Basket::query()->create(['person_id' => $person->id, 'name' => 'B', 'position' => 1, 'created_at' => now()]);
        $this->post("/desk/cards/{$card->id}/pin");

        $this->post("/desk/cards/{$card->id}/erase", ['number' => 'x'])->assertSessionHas('refusal');
        $this->assertNotNull(Card::query()->find($card->id));
        $this->post("/desk/cards/{$card->id}/erase", ['number' => $card->number])->assertRedirect('/desk/patrons');
        $this->assertSame(HoldState::Ready, $next->refresh()->state, 'its copy goes to the next');
        $this->assertSame('returned', $loan->refresh()->getAttribute('end_reason'));
        $this->assertNull($loan->card_id);
        $this->assertNull(Person::query()->find($person->id));
        $this->assertStringNotContainsString($card->number, (string) json_encode(DB::table('desk_changes')->get()));
        $this->assertEveryCountIsTrue();
        $this->get("/desk/cards/{$card->id}")->assertNotFound();
        $this->assertFalse(app(EraseCard::class)($card, $this->now()));
    }

    public function test_with_a_card_elsewhere_the_person_stays(): void
    {
        $card = $this->card();
        $this->card($this->library('larkspur'), person: $card->person);
        app(EraseCard::class)($card, $this->now());
        $this->assertNotNull(Person::query()->find($card->person_id));
    }

    /** Cards with anything on them, at random: whatever is made one, every count is true and nothing is there twice. */
    public function test_two_cards_are_made_one_whatever_is_on_them(): void
    {
        mt_srand(18);
        for ($round = 0; $round < 12; $round++) {
            [$a, $b] = [$this->card(), $this->card()];
            foreach (range(1, 4) as $n) {
                $this->licence($title = $this->title("Title {$round} {$n}"), copies: mt_rand(1, 3));
                mt_rand(0, 2) === 0 && $this->borrow($this->card(), $title);
                foreach ([$a, $b] as $card) {
                    match (mt_rand(0, 2)) {
                        0 => null,
                        1 => app(\App\Lending\Borrowing\BorrowTitle::class)($card->id, $title->id, null, $this->now()),
                        2 => app(\App\Lending\Holds\PlaceHold::class)($card->id, $title->id, $this->now()),
                    };
                }
            }
            $had = Loan::query()
                ->whereIn('card_id', [$a->id, $b->id])
                ->whereNull('ended_at')
                ->pluck('title_id');
            $waited = Hold::query()
                ->whereIn('card_id', [$a->id, $b->id])
                ->whereNull('closed_at')
                ->pluck('title_id');
            $this->assertTrue(app(MergeCards::class)($a, $b, $this->now()));
            $this->assertNull(Card::query()->find($b->id));
            $has = $a->loans()->whereNull('ended_at')->pluck('title_id');
            $waits = $a->holds()->whereNull('closed_at')->pluck('title_id');
            $this->assertEqualsCanonicalizing($had->unique()->all(), $has->all());
            $this->assertEqualsCanonicalizing($waited->unique()->diff($had)->values()->all(), $waits->all());
            $this->assertEveryCountIsTrue();
        }
        $this->assertGreaterThan(12, Loan::query()->count());
    }

    public function test_what_is_the_persons_comes_with_the_last_card(): void
    {
        [$keep, $other] = [$this->of('Ida Marsh'), $this->of('I. Marsh', 'ida@lantern.example')];
        $other->person->update(['keeps_history' => true]);
        foreach ([$keep, $other] as $card) {
            DB::table('own_lengths')->insert([
                'person_id' => $card->person_id,
                'format' => Format::Ebook->value,
                'length' => $card === $keep ? '7d' : '14d',
            ]);
        }
        $basket = Basket::query()->create([
            'person_id' => $other->person_id,
            'name' => 'B',
            'position' => 1,
            'created_at' => now(),
        ]);
        $this->post("/desk/cards/{$keep->id}/merge", ['number' => '000'])->assertSessionHas('refusal');
        $this->post("/desk/cards/{$keep->id}/merge", ['number' => $keep->number])->assertSessionHas('refusal');
        $this->followingRedirects()
            ->post("/desk/cards/{$keep->id}/merge", ['number' => $other->number])
            ->assertSee('I. Marsh');
        $this->assertNotNull(Card::query()->find($other->id), 'it is asked first');
        $this->post("/desk/cards/{$keep->id}/merge", ['number' => $other->number, 'sure' => (string) $other->id]);
        $this->assertNull(Person::query()->find($other->person_id));
        $this->assertSame($keep->person_id, $basket->refresh()->person_id);
        $this->assertSame(['7d'], DB::table('own_lengths')->pluck('length')->all());
        $person = $keep->person->refresh();
        $this->assertSame(['ida@lantern.example', true], [$person->email, $person->keeps_history]);
    }
}

<?php

declare(strict_types=1);

namespace Tests\App\Desk;

use App\Desk\Rules\ChangeRule;
use App\Lending\LoanRules\LibraryRules;
use App\Models\StaffMember;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\LoanTerms;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\TestCase;

/** Loan rules at the Desk: seen, changed with what it does before it is done, planned, undone. */
final class RulesTest extends TestCase
{
    private const NOTHING = '||||||||';

    private StaffMember $staff;

    protected function setUp(): void
    {
        parent::setUp();
        $this->be($this->staff = $this->staff(), 'staff');
    }

    /** What holds now, read anew. */
    private function terms(string $group = 'adult', Format $format = Format::Ebook): LoanTerms
    {
        return (new LibraryRules())->terms($this->library()->id, $group, $format);
    }

    /**
     * @param  array<string, string>  $form
     * @return \Illuminate\Testing\TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function change(array $form, string $seen = self::NOTHING): \Illuminate\Testing\TestResponse
    {
        $this->app->forgetInstance(LibraryRules::class);

        return $this->post('/desk/rules/one', $form + ['seen' => $seen]);
    }

    public function test_a_rule_is_seen_before_it_holds_and_then_lending_goes_by_it(): void
    {
        $this->card(group: 'teen');
        $this->get('/desk/rules')->assertOk()->assertSee('Everybody')->assertSee('teen');
        $this->get('/desk/rules/one?group=teen&format=video')->assertOk()->assertSee('teen · video');
        $form = [
            'group' => 'teen',
            'format' => 'video',
            'max_loans' => '2',
            'lengths' => '3d, 7',
            'default_length' => '3',
        ];
        $this->change($form)->assertOk()->assertSee('Nothing is changed yet')->assertSee('3, 7 days');
        $this->assertSame(7, $this->terms('teen', Format::Video)->maxLoans);
        $this->change($form + ['sure' => '1'])
            ->assertRedirect('/desk/rules')
            ->assertSessionHas('said');
        $terms = $this->terms('teen', Format::Video);
        $this->assertSame(
            [2, true, '3d'],
            [$terms->maxLoans, $terms->loansCountedByFormat, $terms->defaultLength->code()],
        );
        $this->assertSame(7, $this->terms('teen')->maxLoans);
        $this->get('/desk/rules')->assertSee('3, 7 days');
    }

    public function test_the_preview_counts_whom_it_touches(): void
    {
        [$one, $two] = [$this->card(), $this->card()];
        foreach (range(1, 3) as $n) {
            $this->licence($title = $this->title(audience: $n === 3 ? Audience::Adult : Audience::Teen), copies: 3);
            $this->borrow($one, $title);
            $n < 3 && $this->borrow($two, $title);
        }
        $this->licence($waited = $this->title(audience: Audience::Adult));
        $this->borrow($this->card(), $waited);
        $this->hold($two, $waited);
        $this->change(['max_loans' => '2'])->assertSee('One card has more loans');
        $this->change(['max_loans' => '1'])->assertSee('2 cards have more loans');
        $this->change(['format' => 'ebook', 'max_loans' => '2'])->assertSee('One card has more loans');
        $this->change(['format' => 'music', 'max_loans' => '0'])->assertSee('Nothing that is on loan');
        $this->change(['max_holds' => '0'])->assertSee('One card has more holds');
        $this->change(['audience_ceiling' => 'teen'])->assertSee('One hold is of a title');
        $this->change(['renewal_window_days' => '30'])->assertSee('6 loans could be renewed now');
        $this->change(['max_loans' => '9'])->assertSee('Nothing that is on loan');
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function wrong(): iterable
    {
        yield 'no number' => [['max_loans' => 'many'], 'max_loans'];
        yield 'less than nothing' => [['max_holds' => '-1'], 'max_holds'];
        yield 'more than may be' => [['max_renewals' => '51'], 'max_renewals'];
        yield 'kept for no hour' => [['hold_kept_hours' => '0'], 'hold_kept_hours'];
        yield 'no lengths' => [['lengths' => 'a while'], 'lengths'];
        yield 'a length of nothing' => [['lengths' => '0d'], 'lengths'];
        yield 'nine lengths' => [['lengths' => '1d 2d 3d 4d 5d 6d 7d 8d 9d'], 'lengths'];
        yield 'two proposed' => [['default_length' => '7d 14d'], 'default_length'];
        yield 'proposed and not offered' => [['default_length' => '28d'], 'default_length'];
        yield 'no audience' => [['audience_ceiling' => 'pirates'], 'audience_ceiling'];
        yield 'a day that is over' => [['max_loans' => '3', 'from' => '2020-01-01'], 'from'];
        yield 'no day' => [['max_loans' => '3', 'from' => '2027-02-30'], 'from'];
    }

    /** @param  array<string, string>  $form */
    #[DataProvider('wrong')]
    public function test_a_rule_that_nobody_could_meet_is_refused_with_a_reason(array $form, string $field): void
    {
        $this->change($form + ['sure' => '1'])->assertSessionHasErrors($field);
        $this->assertSame(0, DB::table('loan_rules')->count());
    }

    public function test_of_two_editors_the_second_sees_what_the_first_changed(): void
    {
        $this->change(['max_loans' => '3', 'sure' => '1'])->assertSessionHas('said');
        $this->change(['max_loans' => '9', 'sure' => '1'])->assertSessionHas('refusal');
        $this->assertSame(3, $this->terms()->maxLoans);
        $this->change(['max_loans' => '9', 'sure' => '1'], '3||||||||')->assertSessionHas('said');
        $this->assertSame(9, $this->terms()->maxLoans);
    }

    public function test_a_change_is_undone_but_not_under_a_later_one(): void
    {
        $this->change(['max_loans' => '3', 'max_holds' => '4', 'sure' => '1']);
        $this->change(['max_loans' => '5', 'max_holds' => '4', 'sure' => '1'], '3|4|||||||');
        [$first, $second] = DB::table('loan_rule_changes')->orderBy('id')->pluck('id')->all();
        $this->post("/desk/rules/changes/{$first}/undo")->assertSessionHas('refusal');
        $this->post("/desk/rules/changes/{$second}/undo")->assertSessionHas('said');
        $this->assertSame([3, 4], [$this->terms()->maxLoans, $this->terms()->maxHolds]);
        $this->post("/desk/rules/changes/{$second}/undo")->assertSessionHas('refusal');
        $this->post("/desk/rules/changes/{$first}/undo")->assertSessionHas('said');
        $this->assertSame([7, 7], [$this->terms()->maxLoans, $this->terms()->maxHolds]);
        $this->be($this->staff($this->library('larkspur')), 'staff');
        $this->change(['max_loans' => '3', 'sure' => '1']);
        $theirs = DB::table('loan_rule_changes')->orderByDesc('id')->value('id');
        $this->be($this->staff, 'staff')
            ->post("/desk/rules/changes/{$theirs}/undo")
            ->assertSessionHas('refusal');
    }

    public function test_a_planned_change_begins_on_its_day_and_may_be_taken_back(): void
    {
        $day = $this->now()->addDays(3)->format('Y-m-d');
        $this->change(['max_loans' => '3', 'from' => $day, 'sure' => '1'])->assertSessionHas('said');
        $this->change(['max_holds' => '2', 'from' => $day, 'sure' => '1']);
        $taken = DB::table('loan_rule_changes')->orderByDesc('id')->value('id');
        $this->post("/desk/rules/changes/{$taken}/undo");
        // Something else of the same line is changed meanwhile, and stays.
        $this->change(['max_renewals' => '9', 'sure' => '1']);
        $due = app(ChangeRule::class);
        $due->due($this->now());
        $this->assertSame(7, $this->terms()->maxLoans);
        $this->travel(3)->days();
        $due->due($this->now());
        $due->due($this->now());
        $terms = $this->terms();
        $this->assertSame([3, 7, 9], [$terms->maxLoans, $terms->maxHolds, $terms->maxRenewals]);
        $change = DB::table('loan_rule_changes')->orderBy('id')->first();
        $this->post("/desk/rules/changes/{$change?->id}/undo")->assertSessionHas('said');
        $this->assertSame([7, 9], [$this->terms()->maxLoans, $this->terms()->maxRenewals]);
    }

    public function test_a_group_is_added_once_and_cards_can_be_in_it(): void
    {
        $this->post('/desk/rules/groups', ['name' => 'class 10'])->assertRedirect('/desk/rules/one?group=class%2010');
        foreach (['Class 10', '', str_repeat('x', 25)] as $name) {
            $this->post('/desk/rules/groups', ['name' => $name])->assertSessionHas('refusal');
        }
        $this->get('/desk/patrons/new')->assertSee('class 10');
        $this->get('/desk/rules/one?group=nobody')->assertNotFound();
        $this->get('/desk/rules/one?format=papyrus')->assertNotFound();
    }
}

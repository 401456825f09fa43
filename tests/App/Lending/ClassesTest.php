<?php

declare(strict_types=1);

namespace Tests\App\Lending;

use App\Account\Privacy\Terms;
use App\Lending\Loans\CountLoans;
use App\Models\Basket;
use App\Models\Card;
use App\Models\ClassSet;
use App\Models\SchoolClass;
use FigPorch\Core\Lending\LicenceModel;
use Illuminate\Support\Facades\DB;
use Tests\App\TestCase;

/** Classes of a teacher, and titles for them. */
final class ClassesTest extends TestCase
{
    private Card $teacher;

    protected function setUp(): void
    {
        parent::setUp();
        $this->teacher = $this->card();
        $this->teacher->update(['patron_group' => 'teacher']);
    }

    public function test_a_teacher_makes_a_class_pupils_join_and_see_what_it_is_given(): void
    {
        $class = $this->makeClass();
        $pupil = $this->card();
        // Written as it was read out.
        $this->as($pupil)
            ->post('/classes/join', ['code' => strtolower(substr($class->code, 0, 4)) . ' ' . substr($class->code, 4)])
            ->assertSessionHas('said');
        $this->post('/classes/join', ['code' => $class->code])->assertSessionHas('said');
        $this->assertSame(1, $class->members()->count());
        $this->get('/porch')->assertOk()->assertDontSee('For your class');

        $title = $this->title('The Kelp Almanac');
        $this->licence($title, model: LicenceModel::Simultaneous);
        $days = ['first_day' => '2026-05-01', 'last_day' => '2026-05-31'];
        $this->as($this->teacher)
            ->get("/titles/{$title->id}/for-class?" . http_build_query(['class' => $class->id] + $days))
            ->assertSee('It holds: every pupil can have it at the same time.');
        $this->post("/classes/{$class->id}/sets", ['title' => (string) $title->id] + $days)->assertSessionHas('said');
        $this->as($pupil)
            ->get('/porch')
            ->assertSee('For your class')
            ->assertSee('The Kelp Almanac')
            ->assertSee('until 31 May');
        $this->get('/classes')->assertSee('Herons')->assertSee('The Kelp Almanac');
        $this->get("/classes/{$class->id}")->assertNotFound();

        // How often, never who; and only within its days.
        $this->borrow($pupil, $title);
        $this->borrow($this->card(), $title);
        app(CountLoans::class)();
        $this->as($this->teacher)
            ->get("/classes/{$class->id}")
            ->assertSee('borrowed 1 time')
            ->assertSee($pupil->person->name);
        $this->travelTo('2026-06-01 12:00:00');
        $this->flushSession();
        $this->as($pupil)->get('/porch')->assertDontSee('The Kelp Almanac');
        // Borrowed again when its days are over, it is the pupil's own affair.
        DB::table('loans')->update(['ended_at' => now(), 'end_reason' => 'returned']);
        DB::table('cards')->update(['loans_open' => 0]);
        $this->borrow($pupil, $title);
        app(CountLoans::class)();
        $this->assertSame([1], ClassSet::query()->pluck('borrowed')->all());
        $this->as($pupil)
            ->post("/classes/{$class->id}/leave")
            ->assertSessionHas('said');
        $this->assertSame(0, $class->members()->count());
    }

    public function test_before_it_is_promised_it_is_said_whether_it_can_hold_and_what_would_make_it(): void
    {
        $class = $this->makeClass();
        $title = $this->title('Few copies');
        $this->licence($title, copies: 2, price: 5000);
        foreach (range(1, 9) as $n) {
            $class->members()->attach($this->card()->id, ['joined_at' => $this->now()]);
        }
        $address =
            "/titles/{$title->id}/for-class?" .
            http_build_query(['class' => $class->id, 'first_day' => '2026-05-10', 'last_day' => '2026-05-16']);
        $this->as($this->teacher)
            ->get($address)
            ->assertSee('It does not hold')
            ->assertSee('2 can have it at the same time, of 9 pupils.')
            ->assertSee('7 copies more would do for all at the same time.')
            // 25.00 a copy.
            ->assertSee('€175.00')
            ->assertSee('Give it all the same');
        foreach (
            ['', 'first_day=2026-05-16&last_day=2026-05-10', 'first_day=2026-02-30&last_day=2026-05-10']
            as $days
        ) {
            $this->get("/titles/{$title->id}/for-class?class={$class->id}&{$days}")
                ->assertOk()
                ->assertSee('Choose a class of yours');
        }
        $this->post("/classes/{$class->id}/sets", [
            'title' => '999999',
            'first_day' => '2026-05-10',
            'last_day' => '2026-05-16',
        ])->assertSessionHas('refusal');
        $this->assertSame(0, ClassSet::query()->count());
    }

    public function test_a_whole_basket_is_given_with_what_each_title_of_it_would_need(): void
    {
        $class = $this->makeClass();
        foreach (range(1, 4) as $n) {
            $this->as($this->card())->post('/classes/join', ['code' => $class->code]);
        }
        $any = $this->title('The Kelp Almanac');
        $this->licence($any, model: LicenceModel::Simultaneous);
        $scarce = $this->title('Low Water');
        $this->licence($scarce, copies: 1, price: 2000);
        $none = $this->title('Nobody Has It');
        $basket = Basket::query()->create([
            'person_id' => $this->teacher->person_id,
            'name' => 'For the Herons',
            'position' => 1,
            'created_at' => now(),
        ]);
        $this->as($this->teacher);
        $this->get("/baskets/{$basket->id}/for-class")->assertSee('There is nothing in this basket to give');
        foreach ([$any, $scarce, $none] as $n => $title) {
            $basket->titles()->attach($title->id, ['position' => $n, 'added_at' => now()]);
        }
        $days = ['first_day' => '2026-05-01', 'last_day' => '2026-05-15'];
        $address = "/baskets/{$basket->id}/for-class?";
        $this->get($address . http_build_query(['class' => $class->id] + $days))
            ->assertOk()
            ->assertSee('2 titles do not hold.')
            ->assertSee('holds, for all at once')
            ->assertSee('does not hold: 4 copies more would do in turn')
            // Copies for the scarce one and for the one without any, at what the library last paid.
            ->assertSee('140.00');
        $this->get(
            $address .
                http_build_query(['class' => $class->id, 'first_day' => '2026-05-09', 'last_day' => '2026-05-01']),
        )->assertSee('Choose a class of yours');
        $this->post(
            "/classes/{$class->id}/sets",
            ['titles' => ["{$scarce->id}", "{$any->id}", '7x', "{$scarce->id}"]] + $days,
        )->assertSessionHas('said', '2 titles are given to the class.');
        // In the order in which they were sent, which is the basket's.
        $this->assertSame([$scarce->id, $any->id], ClassSet::query()->orderBy('id')->pluck('title_id')->all());
        // Given again, for longer: the same sets.
        $this->post("/classes/{$class->id}/sets", ['titles' => ["{$any->id}"], 'last_day' => '2026-05-20'] + $days);
        $this->assertSame(['2026-05-15', '2026-05-20'], ClassSet::query()->orderBy('id')->pluck('last_day')->all());
        $this->post("/classes/{$class->id}/sets", ['titles' => []] + $days)->assertSessionHas('refusal');
        $this->as($this->card())
            ->get("/baskets/{$basket->id}/for-class")
            ->assertNotFound();
    }

    public function test_a_class_is_made_with_the_pupils_that_the_librarys_file_names(): void
    {
        [$in, $also, $other, $elsewhere] = [
            $this->card(),
            $this->card(),
            $this->card(),
            $this->card($this->library('larkspur')),
        ];
        foreach (
            [[$in, '7b'], [$also, '7b'], [$other, '8a'], [$elsewhere, '7b'], [$this->teacher, '7b']]
            as [$card, $name]
        ) {
            $card->update(['class' => $name]);
        }
        $class = $this->makeClass(['from_file' => '7b']);
        $this->assertEqualsCanonicalizing([$in->id, $also->id], $class->members()->pluck('cards.id')->all());
        $this->post("/classes/{$class->id}/remove", ['card' => (string) $in->id]);
        $this->assertSame([$also->id], $class->members()->pluck('cards.id')->all());
    }

    public function test_what_cannot_be_is_refused(): void
    {
        $pupil = $this->card();
        $this->as($pupil)
            ->post('/classes', ['name' => 'Mine', 'ends_on' => '2026-12-31'])
            ->assertSessionHas('refusal');
        $class = $this->makeClass();
        foreach (
            [
                ['name' => '', 'ends_on' => '2026-12-31'],
                ['name' => 'x', 'ends_on' => '2026-04-30'],
                ['name' => 'x', 'ends_on' => '2030-01-01'],
                ['name' => 'x', 'ends_on' => 'soon'],
            ]
            as $wrong
        ) {
            $this->as($this->teacher)->post('/classes', $wrong)->assertSessionHas('refusal');
        }
        $this->assertSame(1, SchoolClass::query()->count());
        // A code of a library where one has no card leads nowhere, nor one that is over.
        $this->as($this->card($this->library('larkspur')))
            ->post('/classes/join', ['code' => $class->code])
            ->assertSessionHas('refusal');
        $this->travelTo('2027-01-01 12:00:00');
        $this->flushSession();
        $this->as($pupil)
            ->post('/classes/join', ['code' => $class->code])
            ->assertSessionHas('refusal');
        // A card that is a teacher's no more, or blocked, makes none.
        $this->teacher->update(['blocked_at' => now()]);
        $this->as($this->teacher)
            ->post('/classes', ['name' => 'Late', 'ends_on' => '2027-05-31'])
            ->assertSessionHas('refusal');
    }

    public function test_a_class_ends_on_its_day_and_with_the_teachers_card(): void
    {
        $class = $this->makeClass();
        $class->members()->attach($this->card()->id, ['joined_at' => $this->now()]);
        ClassSet::query()->create([
            'class_id' => $class->id,
            'title_id' => $this->title()->id,
            'first_day' => '2026-05-01',
            'last_day' => '2026-05-02',
            'made_at' => $this->now(),
        ]);
        $this->keepTerms();
        $this->assertSame(1, SchoolClass::query()->count());
        $this->travelTo('2027-01-02 12:00:00');
        $this->keepTerms();
        $this->assertSame(
            [0, 0, 0],
            [SchoolClass::query()->count(), DB::table('class_members')->count(), ClassSet::query()->count()],
        );
    }

    public function test_a_class_has_a_code_of_its_own_and_letters_that_are_not_mistaken(): void
    {
        $codes = array_map(fn(int $n): string => $this->makeClass(['name' => "Class {$n}"])->code, range(1, 20));
        $this->assertCount(20, array_unique($codes));
        $this->assertDoesNotMatchRegularExpression('/[O0I1LS5]/', implode('', $codes));
    }

    private function keepTerms(): void
    {
        foreach (Terms::statements($this->now()) as [$sql, $values]) {
            DB::statement($sql, $values);
        }
    }

    /** @param  array<string, string>  $with */
    private function makeClass(array $with = []): SchoolClass
    {
        $this->as($this->teacher)->post('/classes', $with + ['name' => 'Herons', 'ends_on' => '2026-12-31']);

        return SchoolClass::query()->latest('id')->firstOrFail();
    }
}

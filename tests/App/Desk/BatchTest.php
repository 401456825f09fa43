<?php

declare(strict_types=1);

namespace Tests\App\Desk;

use App\Models\Batch;
use App\Models\Licence;
use App\Models\StaffList;
use App\Models\StaffMember;
use App\Models\Title;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Desk\StaffRole;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Tests\App\TestCase;

/** Many titles at once: looked at, changed, and brought back as a whole. */
final class BatchTest extends TestCase
{
    private StaffMember $staff;

    /** @var list<Title> */
    private array $titles;

    protected function setUp(): void
    {
        parent::setUp();
        $this->be($this->staff = $this->staff(role: StaffRole::Catalogue), 'staff');
        $this->titles = array_map(fn(int $n): Title => $this->title("Harbour Light {$n}"), range(1, 4));
    }

    /** @param  array<string, mixed>  $what */
    private function look(array $what, string $find = 'harbour light'): Batch
    {
        $this->post('/desk/batches', ['choose' => 'search', 'find' => $find] + $what)->assertSessionHasNoErrors();

        return Batch::query()->latest('id')->firstOrFail();
    }

    private function step(Batch $batch, string $step): void
    {
        $this->post("/desk/batches/{$batch->id}/{$step}")->assertRedirect("/desk/batches/{$batch->id}");
        $this->workThroughQueue('imports');
        $batch->refresh();
    }

    /** @return array<string, int> */
    private static function outcomes(Batch $batch): array
    {
        return array_count_values(array_map(strval(...), $batch->rows()->orderBy('outcome')->pluck('outcome')->all()));
    }

    /** @return list<string> */
    private function subjects(Title $title): array
    {
        return array_values($title->subjects()->orderBy('name')->pluck('name')->all());
    }

    public function test_a_licence_for_each_says_what_it_costs_and_what_is_unused_is_taken_back_as_a_whole(): void
    {
        $this->licence($this->titles[0]);
        $batch = $this->look(['what' => 'licence', 'model' => 'one_copy_one_user', 'copies' => 2, 'price' => '12,50']);
        $this->get("/desk/batches/{$batch->id}")
            ->assertSee('That is €50.00 in all.')
            ->assertSee('has one licence')
            ->assertSee('Change 4 titles');
        $this->assertSame(1, Licence::query()->count(), 'looking changes nothing');
        $this->step($batch, 'apply');
        $this->assertSame('applied', $batch->stage);
        $this->assertSame(5, Licence::query()->count());
        $this->assertSame(
            4,
            Licence::query()
                ->where(['copies' => 2, 'price_cents' => 1250])
                ->count(),
        );
        $this->step($batch, 'apply');
        $this->assertSame(5, Licence::query()->count(), 'a second click does nothing');
        $this->get('/desk/trail')->assertForbidden();
        // One is borrowed, for one somebody waits: those two stay, and it says so.
        $this->borrow($this->card(), $this->titles[1]);
        $this->licence($this->titles[3], copies: 1);
        $this->step($batch, 'undo');
        $this->assertSame('undone', $batch->stage);
        $this->assertSame(1, Licence::query()->where('price_cents', 1250)->count());
        $this->get("/desk/batches/{$batch->id}")
            ->assertSee('One title stays as it is')
            ->assertSee('stays: somebody has borrowed or waits with it');
        $this->assertSame(
            ['batch_done', 'batch_undone'],
            DB::table('desk_changes')->where('what', 'like', 'batch%')->orderBy('id')->pluck('what')->all(),
        );
        $this->assertEveryCountIsTrue();
    }

    public function test_licences_are_ended_at_once_or_on_a_day_and_go_on_as_they_were(): void
    {
        $first = $this->licence($this->titles[0], ends: '+300 days');
        $second = $this->licence($this->titles[1]);
        $soon = $this->licence($this->titles[2], ends: '+2 days');
        $elsewhere = $this->licence($this->titles[3], library: $this->library('larkspur'));
        $this->borrow($this->card(), $this->titles[0]);
        $hold = $this->hold($this->card(), $this->titles[0]);
        $day = now()->addDays(30)->format('Y-m-d');
        $batch = $this->look(['what' => 'withdraw', 'last_day' => $day]);
        $this->assertSame(['ready' => 3, 'same' => 1], self::outcomes($batch));
        $this->get("/desk/batches/{$batch->id}")
            ->assertSee('one on loan')
            ->assertSee('one waits');
        $this->step($batch, 'apply');
        $this->assertSame($day, $second->refresh()->ends_at?->format('Y-m-d'));
        $this->assertEqualsWithDelta(2, now()->diffInDays($soon->refresh()->ends_at), 0.1, 'it ends sooner as it is');
        $this->assertNull($elsewhere->refresh()->ends_at);
        $this->assertSame(['ready' => 2, 'same' => 2], self::outcomes($batch));
        // Somebody gives one of them another end meanwhile.
        $second->update(['ends_at' => now()->addDays(99)]);
        $this->step($batch, 'undo');
        $this->assertEqualsWithDelta(300, now()->diffInDays($first->refresh()->ends_at), 0.1);
        $this->assertEqualsWithDelta(99, now()->diffInDays($second->refresh()->ends_at), 0.1);
        $this->assertSame(['meanwhile'], $batch->rows()->whereNotNull('kept')->pluck('kept')->all());

        $batch = $this->look(['what' => 'withdraw', 'last_day' => '']);
        $this->step($batch, 'apply');
        $this->assertSame(
            0,
            Licence::query()
                ->where('library_id', $this->staff->library_id)
                ->where(fn($of) => $of->whereNull('ends_at')->orWhere('ends_at', '>', now()))
                ->count(),
        );
        $this->step($batch, 'undo');
        $this->assertEqualsWithDelta(300, now()->diffInDays($first->refresh()->ends_at), 0.1);
        $this->assertSame('waiting', $hold->refresh()->state->value);
        $this->assertEveryCountIsTrue();
    }

    public function test_titles_are_put_on_a_list_and_only_those_are_taken_off_again(): void
    {
        $list = StaffList::query()->create([
            'library_id' => $this->staff->library_id,
            'name' => 'By the water',
            'room' => 'reading',
            'position' => 1,
        ]);
        $list->titles()->attach($this->titles[1]->id, ['position' => 0]);
        $batch = $this->look(['what' => 'list', 'list' => $list->id]);
        $this->assertSame(['ready' => 3, 'same' => 1], self::outcomes($batch));
        $this->step($batch, 'apply');
        $this->assertSame(4, $list->titles()->count());
        $from = $this->look(['choose' => 'list', 'from_list' => $list->id, 'what' => 'audience', 'audience' => 'teen']);
        $this->assertSame(['ready' => 4], self::outcomes($from));
        $this->step($batch, 'undo');
        $this->assertSame([$this->titles[1]->id], $list->titles()->pluck('titles.id')->all());
    }

    public function test_a_subject_comes_and_goes_and_records_that_others_changed_stay(): void
    {
        $batch = $this->look(['what' => 'add_subject', 'add_subject' => 'Tides']);
        $this->step($batch, 'apply');
        $this->assertSame(['Mystery', 'Tides'], $this->subjects($this->titles[2]));
        $again = $this->look(['what' => 'add_subject', 'add_subject' => 'tides']);
        $this->assertSame(['same' => 4], self::outcomes($again), 'whatever the case of its letters');
        $off = $this->look(['what' => 'remove_subject', 'remove_subject' => 'TIDES'], 'Harbour Light 4');
        $this->step($off, 'apply');
        $this->assertSame(['Mystery'], $this->subjects($this->titles[3]));
        $this->step($batch, 'undo');
        $this->assertSame(['Mystery'], $this->subjects($this->titles[0]));
        $this->assertSame(['meanwhile'], $batch->rows()->whereNotNull('kept')->pluck('kept')->all());
        $this->step($off, 'undo');
        $this->assertSame(['Mystery', 'Tides'], $this->subjects($this->titles[3]), 'as it was before that one');
    }

    public function test_a_title_that_fails_is_said_and_stops_none_of_the_others(): void
    {
        $batch = $this->look(['what' => 'add_subject', 'add_subject' => 'Tides']);
        $fails = $this->titles[1]->id;
        DB::unprepared(
            "create function refuse_subject() returns trigger language plpgsql as 'begin raise exception ''no''; end';
            create trigger refused before insert on subject_title for each row when (new.title_id = {$fails})
                execute function refuse_subject();",
        );
        try {
            $this->step($batch, 'apply');
        } finally {
            DB::unprepared('drop trigger refused on subject_title; drop function refuse_subject()');
        }
        $this->assertSame('applied', $batch->stage);
        $this->assertSame(['ready' => 3, 'refused' => 1], self::outcomes($batch));
        $this->assertSame(['Mystery', 'Tides'], $this->subjects($this->titles[3]));
        $this->assertSame(['Mystery'], $this->subjects($this->titles[1]));
        $this->get("/desk/batches/{$batch->id}?outcome=refused")->assertSee('an error of this program');
        $this->step($batch, 'undo');
        $this->assertSame('undone', $batch->stage);
        $this->assertSame(['Mystery'], $this->subjects($this->titles[3]));
    }

    public function test_the_audience_is_changed_and_brought_back(): void
    {
        $batch = $this->look(['what' => 'audience', 'audience' => 'child'], 'Harbour Light 2');
        $this->step($batch, 'apply');
        $this->assertSame(Audience::Child, $this->titles[1]->refresh()->audience);
        $this->assertSame(Audience::Adult, $this->titles[0]->refresh()->audience);
        $this->step($batch, 'undo');
        $this->assertSame(Audience::Adult, $this->titles[1]->refresh()->audience);
    }

    public function test_numbers_of_a_file_name_titles_and_lines_that_name_none_are_shown(): void
    {
        $this->titles[0]->update(['isbn' => '9780306406157', 'numbers' => '{9780306406157}']);
        $csv = "Name;ISBN;Price\r\nHarbour;978-0-306-40615-7;9\r\nNothing;9781861972712;9\r\n\r\nA line\r\n";
        $this->post('/desk/batches', [
            'choose' => 'numbers',
            'file' => UploadedFile::fake()->createWithContent('order.csv', mb_convert_encoding($csv, 'UTF-16')),
            'what' => 'add_subject',
            'add_subject' => 'Light',
        ])->assertSessionHas('refusal');
        $this->post('/desk/batches', [
            'choose' => 'numbers',
            'numbers' => '0-306-40615-2',
            'file' => UploadedFile::fake()->createWithContent('order.csv', $csv),
            'what' => 'add_subject',
            'add_subject' => 'Light',
        ])->assertSessionHasNoErrors();
        $batch = Batch::query()->latest('id')->firstOrFail();
        $this->assertSame([$this->titles[0]->id], $batch->rows()->whereNotNull('title_id')->pluck('title_id')->all());
        $this->get("/desk/batches/{$batch->id}?outcome=refused")
            ->assertSee('Nothing;9781861972712;9')
            ->assertSee('no title has this number')
            ->assertDontSee('Name;ISBN');
        $this->post("/desk/batches/{$batch->id}/discard")->assertRedirect('/desk/batches');
        $this->assertSame(0, Batch::query()->count());
    }

    public function test_what_cannot_be_is_said_at_its_field_and_nothing_is_made(): void
    {
        $searched = StaffList::query()->create([
            'library_id' => $this->staff->library_id,
            'name' => 'Found',
            'room' => 'reading',
            'words' => 'harbour',
            'position' => 1,
        ]);
        $foreign = StaffList::query()->create([
            'library_id' => $this->library('larkspur')->id,
            'name' => 'Theirs',
            'room' => 'reading',
            'position' => 1,
        ]);
        $wrong = [
            ['price', ['what' => 'licence', 'model' => 'one_copy_one_user', 'copies' => 1]],
            ['copies', ['what' => 'licence', 'model' => 'one_copy_one_user', 'price' => '1']],
            ['ends', ['what' => 'licence', 'model' => 'metered_by_time', 'copies' => 1, 'price' => '1']],
            ['last_day', ['what' => 'withdraw', 'last_day' => '2020-01-01']],
            ['list', ['what' => 'list', 'list' => $searched->id]],
            ['list', ['what' => 'list', 'list' => $foreign->id]],
            [
                'from_list',
                ['choose' => 'list', 'from_list' => $foreign->id, 'what' => 'audience', 'audience' => 'teen'],
            ],
            ['add_subject', ['what' => 'add_subject']],
            ['audience', ['what' => 'audience', 'audience' => 'everybody']],
            ['what', ['what' => 'burn']],
            ['find', ['find' => '', 'what' => 'withdraw']],
        ];
        foreach ($wrong as [$field, $form]) {
            $this->post('/desk/batches', $form + ['choose' => 'search', 'find' => 'harbour'])->assertSessionHasErrors(
                $field,
            );
        }
        $this->post('/desk/batches', [
            'choose' => 'search',
            'find' => 'nothing at all',
            'what' => 'withdraw',
        ])->assertSessionHas(
            'refusal',
            'No title was found, so there is nothing to change. Look at what you chose and try again.',
        );
        $this->assertSame(0, Batch::query()->count());
    }
}

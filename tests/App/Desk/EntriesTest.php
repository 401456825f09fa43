<?php

declare(strict_types=1);

namespace Tests\App\Desk;

use App\Catalogue\Records\SaveRecord;
use App\Models\Batch;
use App\Models\Contributor;
use App\Models\Subject;
use App\Models\Title;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Desk\StaffRole;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\TestCase;

/** People, series and subjects as entries of their own. */
final class EntriesTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->be($this->staff(role: StaffRole::Catalogue), 'staff');
    }

    /**
     * @param  list<string>  $people
     * @param  list<string>  $subjects
     */
    private function record(string $name, array $people, array $subjects = [], ?string $series = null): Title
    {
        $title = app(SaveRecord::class)(
            new Record(
                key: "entries:{$name}",
                format: Format::Ebook,
                name: $name,
                contributors: array_map(
                    fn(string $of): array => ['name' => $of, 'sort' => $of, 'role' => 'author'],
                    $people,
                ),
                extent: 9,
                subjects: $subjects,
                series: $series,
                seriesPosition: $series === null ? null : 1.0,
            ),
            $this->now(),
        );
        $title->publication()->exists() || $this->fileOf($title);

        return $title;
    }

    /** @return list<string> names of titles */
    private function found(string $words): array
    {
        $query = implode(' & ', explode(' ', $words));

        return array_column(
            DB::select(
                "select t.name from search_rows s join titles t on t.id = s.title_id
                    where s.exact @@ to_tsquery('fig_exact', ?) order by t.name",
                [$query],
            ),
            'name',
        );
    }

    private function step(Batch $batch, string $step): void
    {
        $this->post("/desk/batches/{$batch->id}/{$step}");
        $this->workThroughQueue('imports');
    }

    /** @param  array<string, string>  $form */
    private function look(string $kind, int $entry, string $do, array $form): Batch
    {
        $this->post("/desk/entries/{$kind}/{$entry}/{$do}", $form)->assertSessionMissing('refusal');

        return Batch::query()->latest('id')->firstOrFail();
    }

    /** @return list<list<string>> */
    private function authors(): array
    {
        return array_values(
            Title::query()
                ->with('contributors')
                ->orderBy('name')
                ->get()
                ->map(fn(Title $title): array => array_values($title->contributors->pluck('name')->all()))
                ->all(),
        );
    }

    /**
     * @phpstan-impure
     *
     * @return list<list<string|null>> what each title names, the titles by name
     */
    private function naming(string $kind): array
    {
        $names = fn(Title $title): array => match ($kind) {
            'person' => array_values($title->contributors->pluck('name')->sort()->all()),
            'subject' => array_values($title->subjects->pluck('name')->sort()->all()),
            default => [$title->series?->name],
        };

        return array_values(
            Title::query()
                ->with(['contributors', 'subjects', 'series'])
                ->orderBy('name')
                ->get()
                ->map($names)
                ->all(),
        );
    }

    public function test_a_person_is_named_anew_in_all_titles_and_later_records_with_the_old_name_are_understood(): void
    {
        $this->record('First', ['Odalis Ven']);
        $this->record('Second', ['Odalis Ven', 'Juno Pike']);
        $id = Contributor::query()->where('name', 'Odalis Ven')->sole()->id;
        $this->get('/desk/entries?find=odal')->assertSee('Odalis Ven')->assertSee('2 titles');
        $batch = $this->look('person', $id, 'rename', ['name' => 'Odalys Venn', 'sort_name' => 'Venn, Odalys']);
        $this->get("/desk/batches/{$batch->id}")
            ->assertSee('Odalis Ven → Odalys Venn')
            ->assertSee('Second');
        $this->assertSame(['First', 'Second'], $this->found('odalis ven'), 'looking changes nothing');
        $this->step($batch, 'apply');
        $this->assertSame([['Odalys Venn'], ['Odalys Venn', 'Juno Pike']], $this->authors());
        $this->assertSame('Venn, Odalys', Contributor::query()->findOrFail($id)->sort_name);
        $this->assertSame(['First', 'Second'], $this->found('odalys venn'));
        $this->assertSame([], $this->found('odalis'));
        $this->record('Third', ['Odalis Ven']);
        $this->assertSame(
            ['Odalys Venn'],
            Title::query()->where('name', 'Third')->sole()->contributors->pluck('name')->all(),
        );
        $this->assertSame(1, Contributor::query()->where('name', 'like', 'Odal%')->count());
        $this->assertNull(
            Title::query()->where('name', 'First')->sole()->edited_fields,
            'what a supplier changes still comes',
        );
        $this->get("/desk/entries/person/{$id}")
            ->assertSee('Also known as:')
            ->assertSee('Odalis Ven');
        $this->step($batch, 'undo');
        $this->assertSame(['First', 'Second', 'Third'], $this->found('odalis ven'));
        $this->assertSame('Odalis Ven', Contributor::query()->findOrFail($id)->name);
        $this->assertSame(
            0,
            DB::table('name_forms')->count() - DB::table('name_forms')->where('form', 'Odalys Venn')->count(),
        );
    }

    #[DataProvider('kinds')]
    public function test_two_that_are_the_same_are_made_one_and_parted_again(string $kind): void
    {
        $make = fn(string $name, string ...$of): Title => match ($kind) {
            'person' => $this->record($name, array_values($of)),
            'subject' => $this->record($name, ['Ana'], array_values($of)),
            default => $this->record($name, ['Ana'], series: $of[0]),
        };
        $make('First', 'Sea tales');
        $make('Second', 'Sea-tales');
        $make('Third', ...$kind === 'series' ? ['Sea-tales'] : ['Sea-tales', 'Sea tales']);
        $table = ['person' => 'contributors', 'series' => 'series', 'subject' => 'subjects'][$kind];
        $ids = DB::table($table)->pluck('id', 'name');
        $was = $this->naming($kind);
        $batch = $this->look($kind, (int) $ids['Sea-tales'], 'merge', ['into' => 'sea TALES']);
        $this->step($batch, 'apply');
        $this->assertSame([['Sea tales'], ['Sea tales'], ['Sea tales']], $this->naming($kind));
        $this->assertSame(0, DB::table($table)->where('name', 'Sea-tales')->count());
        $this->get("/desk/entries/{$kind}/{$ids['Sea-tales']}")->assertNotFound();
        $make('Fourth', 'Sea-tales');
        $this->assertSame(['Sea tales'], $this->naming($kind)[1], 'what comes later is understood');
        // One of them gets another by hand meanwhile: that stays.
        $this->step($batch, 'undo');
        $this->assertSame($was, [$this->naming($kind)[0], $this->naming($kind)[2], $this->naming($kind)[3]]);
        $this->assertSame(['Sea tales'], $this->naming($kind)[1], 'what came later stays with the other');
    }

    public function test_a_record_that_was_changed_since_stays_as_it_is_when_two_are_parted_again(): void
    {
        $this->licence($first = $this->record('First', ['Tove Drey']));
        $this->licence($this->record('Second', ['Tove Drey']));
        $this->record('Third', ['Tove Dray']);
        $id = Contributor::query()->where('name', 'Tove Drey')->sole()->id;
        $batch = $this->look('person', $id, 'merge', ['into' => 'Tove Dray']);
        $this->step($batch, 'apply');
        $this->record('First', ['Somebody Else']);
        $this->step($batch, 'undo');
        $this->assertSame([['Somebody Else'], ['Tove Drey'], ['Tove Dray']], $this->naming('person'));
        $kept = $batch->rows()->whereNotNull('kept')->pluck('kept', 'title_id')->all();
        $this->assertSame([$first->id => 'meanwhile'], $kept);
    }

    /** @return array<string, array{string}> */
    public static function kinds(): array
    {
        return ['people' => ['person'], 'series' => ['series'], 'subjects' => ['subject']];
    }

    public function test_what_cannot_be_is_refused_with_what_to_do_and_names_of_others_titles_are_theirs(): void
    {
        $this->licence($this->record('First', ['Ana'], ['Tides']));
        $this->record('Second', ['Ana'], ['Currents']);
        $id = Subject::query()->where('name', 'Tides')->sole()->id;
        foreach (
            [
                'rename' => [
                    ['name' => ''],
                    ['name' => 'Tides'],
                    ['name' => 'Currents'],
                    ['name' => str_repeat('x', 256)],
                ],
                'merge' => [['into' => ''], ['into' => 'tides'], ['into' => 'Nothing']],
            ]
            as $do => $forms
        ) {
            foreach ($forms as $form) {
                $this->post("/desk/entries/subject/{$id}/{$do}", $form)->assertSessionHas('refusal');
            }
        }
        $this->assertSame(0, Batch::query()->count());
        $this->get('/desk/entries/work/1')->assertNotFound();
        $this->get('/desk/entries?kind=subject&find=nothing')->assertSee('Nothing of that name');
        $this->licence($this->record('Third', ['Ana'], ['Tides']), library: $this->library('larkspur'));
        $this->post("/desk/entries/subject/{$id}/rename", ['name' => 'Tide'])
            ->assertForbidden()
            ->assertSee('One of its titles is another library’s alone');
    }
}

<?php

declare(strict_types=1);

namespace Tests\App\Desk;

use App\Catalogue\Records\RecordOfTitle;
use App\Catalogue\Records\SaveRecord;
use App\Desk\Records\KeepCover;
use App\Desk\Titles\FoundTitle;
use App\Models\Title;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\RecordText;
use FigPorch\Core\Desk\StaffRole;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Symfony\Component\HttpFoundation\Response;
use Tests\App\TestCase;

/** Records at the Desk: any title found, edited by several at once, and what staff said stands. */
final class RecordsTest extends TestCase
{
    private Title $title;

    protected function setUp(): void
    {
        parent::setUp();
        $this->be($this->staff(role: StaffRole::Catalogue), 'staff');
        $this->licence($this->title = $this->title('Low Water'));
    }

    /** @return array<string, string> */
    private function texts(): array
    {
        return RecordText::of(RecordOfTitle::of($this->title->refresh()));
    }

    /**
     * @param  array<string, string>  $changes
     * @param  array<string, string>|null  $seen  as the form showed it; as it is now where nothing is said
     * @return TestResponse<Response>
     */
    private function save(array $changes, ?array $seen = null): TestResponse
    {
        $seen ??= $this->texts();
        $form = [...array_diff_key($seen, ['contributors' => '']), 'seen' => (string) json_encode($seen)];
        foreach (explode("\n", $seen['contributors']) as $n => $person) {
            [$form["person_{$n}_role"], $form["person_{$n}_name"], $form["person_{$n}_sort"]] = explode(
                RecordText::BETWEEN,
                $person,
            );
        }

        return $this->post("/desk/titles/{$this->title->id}/record", [...$form, ...$changes]);
    }

    public function test_every_field_is_edited_and_found_by(): void
    {
        $this->get("/desk/titles/{$this->title->id}/record")
            ->assertOk()
            ->assertSee('Tamsin Ebbing');
        $this->save([
            'name' => 'Spring Tide',
            'subtitle' => 'A ledger',
            'series' => 'The Quay',
            'series_position' => '2,5',
            'language' => 'pt-BR',
            'audience' => 'teen',
            'ages' => '12-',
            'level' => '7.5',
            'publisher' => 'Gullwing Press',
            'published' => '2024-05',
            'identifiers' => "9789999900010\nurn:x:1",
            'works' => 'istc:A022009000000046',
            'subjects' => "Tides\r\n\r\nMystery\r\nTides",
            'awards' => 'The Lamp',
            'description' => "Twice a year.\n\nAnd once more.",
            'person_0_name' => 'Tamsin Ebbing-Marsh',
            'person_0_sort' => '',
            'person_1_name' => 'Ana Low',
            'person_1_role' => 'illustrator',
            'person_1_sort' => 'Low, A.',
        ])->assertSessionHasNoErrors();
        $this->assertSame(
            [
                'name' => 'Spring Tide',
                'subtitle' => 'A ledger',
                'contributors' => "author\tTamsin Ebbing-Marsh\tEbbing-Marsh, Tamsin\nillustrator\tAna Low\tLow, A.",
                'edition' => '',
                'series' => 'The Quay',
                'series_position' => '2.5',
                'language' => 'pt-BR',
                'audience' => 'teen',
                'ages' => '12-',
                'level' => '7.5',
                'publisher' => 'Gullwing Press',
                'published' => '2024-05',
                'identifiers' => "9789999900010\nurn:x:1",
                'works' => 'istc:A022009000000046',
                'subjects' => "Mystery\nTides",
                'awards' => 'The Lamp',
                'description' => "Twice a year.\n\nAnd once more.",
            ],
            $this->texts(),
        );
        $page = fn(string $find): array => array_map(
            fn(FoundTitle $row): string => $row->title->name,
            $this->get('/desk/titles?' . http_build_query(['find' => $find]))
                ->assertOk()
                ->viewData('page')
                ->items(),
        );
        foreach (['spring tide', 'ebbing-marsh', 'gullw', '978-9-9999-0001-0', 'lamp'] as $find) {
            $this->assertSame(['Spring Tide'], $page($find), $find);
        }
        $this->assertSame([], $page('low water'));
        $this->assertStringContainsString('Low Water', (string) json_encode(DB::table('desk_changes')->get()));
    }

    /** @return iterable<string, array{string, string}> */
    public static function wrong(): iterable
    {
        yield 'no name' => ['name', ' '];
        yield 'a long name' => ['name', str_repeat('x', 501)];
        yield 'a language in words' => ['language', 'Portuguese of Brazil'];
        yield 'no audience' => ['audience', 'pirates'];
        yield 'ages the wrong way round' => ['ages', '12-9'];
        yield 'a level in words' => ['level', 'hard'];
        yield 'a level above all' => ['level', '21'];
        yield 'a number in the series that is none' => ['series_position', '1e300'];
        yield 'a day that is none' => ['published', '2024-02-31'];
        yield 'a mistyped number' => ['identifiers', "urn:x:1\n978-9-9999-0001-8"];
        yield 'a role that is none' => ['contributors', ''];
    }

    #[DataProvider('wrong')]
    public function test_each_field_is_checked_and_what_was_written_is_kept(string $field, string $text): void
    {
        $before = $this->texts();
        $form = $field === 'contributors' ? ['person_0_role' => 'pirate'] : [$field => $text];
        $this->save($form + ['subtitle' => 'Kept'])->assertSessionHasErrors($field);
        $this->assertSame($before, $this->texts());
        $this->followingRedirects()
            ->get("/desk/titles/{$this->title->id}/record")
            ->assertSee('Kept');
    }

    public function test_of_several_editors_each_keeps_their_fields_and_the_second_in_one_sees_the_first(): void
    {
        $seen = $this->texts();
        $this->save(['subtitle' => 'First'], $seen)->assertSessionHas('said');
        $this->save(['publisher' => 'Second'], $seen)->assertSessionHas('said');
        $this->assertSame(['First', 'Second'], [$this->texts()['subtitle'], $this->texts()['publisher']]);
        $this->save(['subtitle' => 'Third', 'edition' => '3rd'], $seen)->assertSessionHasErrors('subtitle');
        $this->assertSame(['First', ''], [$this->texts()['subtitle'], $this->texts()['edition']]);
        $this->get("/desk/titles/{$this->title->id}/record")
            ->assertSee('It says now: “First”')
            ->assertSee('Third');
        $this->save(['subtitle' => 'Third'])->assertSessionHas('said');
        // The same twice is no quarrel.
        $this->save(['publisher' => 'Second'], $seen)->assertSessionHas('said');
    }

    public function test_the_word_of_staff_stands_until_it_is_taken_back(): void
    {
        $record = RecordOfTitle::of($this->title);
        $again = fn(string $name, string $publisher) => app(SaveRecord::class)(
            new Record(
                key: $record->key,
                format: Format::Ebook,
                name: $name,
                contributors: $record->contributors,
                extent: 130,
                audience: Audience::Child,
                publisher: $publisher,
            ),
            $this->now(),
        );
        $this->save(['name' => 'As staff say']);
        $again('As the file says', 'The file');
        $texts = $this->texts();
        $this->assertSame(
            ['As staff say', 'The file', 'child'],
            [$texts['name'], $texts['publisher'], $texts['audience']],
        );
        $this->assertSame(130, $this->title->extent);
        $change = DB::table('record_changes')->value('id');
        $this->post("/desk/titles/{$this->title->id}/record/{$change}/undo")->assertSessionHas('said');
        $this->assertSame('Low Water', $this->texts()['name']);
        $again('As the file says', 'The file');
        $this->assertSame('As the file says', $this->texts()['name']);
        $this->post("/desk/titles/{$this->title->id}/record/{$change}/undo")->assertSessionHas('refusal');
    }

    /** As files and suppliers bring them: what nobody touches is neither checked nor changed. */
    public function test_what_came_in_otherwise_than_one_may_write_it_stays_to_the_letter(): void
    {
        DB::table('titles')->update([
            'language' => 'en_GB.UTF-8',
            'level' => 40,
            'identifiers' => '["978-9-9999-0001-8", "a\\nb"]',
        ]);
        DB::table('contributors')->update(['name' => 'Ebbing | Daughters']);
        $before = DB::table('titles')->first(['language', 'level', 'identifiers']);
        $this->save(['subtitle' => 'Changed'])->assertSessionHasNoErrors();
        $this->assertEquals($before, DB::table('titles')->first(['language', 'level', 'identifiers']));
        $this->assertSame('Changed', $this->texts()['subtitle']);
        $this->assertSame("author\tEbbing | Daughters\tTamsin Ebbing", $this->texts()['contributors']);
    }

    public function test_a_change_is_not_undone_under_a_later_one(): void
    {
        $this->save(['subtitle' => 'One']);
        $this->save(['subtitle' => 'Two', 'edition' => '2nd']);
        [$first, $second] = DB::table('record_changes')->orderBy('id')->pluck('id')->all();
        $undo = fn(int $id): TestResponse => $this->post("/desk/titles/{$this->title->id}/record/{$id}/undo");
        $undo($first)->assertSessionHas('refusal');
        $undo($second)->assertSessionHas('said');
        $undo($first)->assertSessionHas('said');
        $this->assertSame(['', ''], [$this->texts()['subtitle'], $this->texts()['edition']]);
        // A change of another title.
        $this->save(['subtitle' => 'Three']);
        $third = DB::table('record_changes')->orderByDesc('id')->value('id');
        $this->licence($other = $this->title('Other'));
        $this->post("/desk/titles/{$other->id}/record/{$third}/undo")->assertSessionHas('refusal');
    }

    /** In whatever order and form it was written: what is kept may be read back otherwise. */
    public function test_whatever_was_changed_is_undone_to_the_letter(): void
    {
        $random = new Randomizer(new Mt19937(11));
        $subjects = ['Tides', 'Ärmel', 'lamps', 'Lamps and lights', 'Zeal', '9 winds', 'Birds', 'birds and bees'];
        $people = ['Wren Ash', 'Ebbing, Tamsin', 'Œil Noir', 'Tamsin Ebbing', 'The Quay Choir'];
        foreach (range(1, 25) as $round) {
            $before = $this->texts();
            $some = fn(array $of): array => array_slice($random->shuffleArray($of), 0, $random->getInt(1, count($of)));
            $this->save([
                'subjects' => implode("\r\n", $some($subjects)),
                'awards' => implode("\n", $some(['Low Tide Prize 2024', 'Ash Bough 2019', 'Bell of Hollow Tor 2021'])),
                'series' => $random->shuffleArray(['', 'the quay', 'The Quay', 'Isles'])[0],
                'series_position' => $random->shuffleArray(['', '2,50', '7', '1.25'])[0],
                'level' => $random->shuffleArray(['', '7,50', '3'])[0],
                'person_0_role' => $random->shuffleArray(['author', 'narrator'])[0],
                'person_0_name' => $random->shuffleArray($people)[0],
                'person_0_sort' => $random->shuffleArray(['', 'Ash, W.'])[0],
            ])->assertSessionHasNoErrors();
            $change = DB::table('record_changes')->orderByDesc('id')->first() ?? $this->fail('Nothing is kept.');
            if ($this->texts() === $before) {
                continue;
            }
            $this->assertFalse($change->undone, "Round {$round} changed nothing that is kept.");
            $this->post("/desk/titles/{$this->title->id}/record/{$change->id}/undo")->assertSessionHas('said');
            $this->assertSame($before, $this->texts(), "Round {$round}");
            // The next one begins from another record.
            $this->save(['subjects' => implode("\n", $some($subjects))]);
        }
    }

    public function test_a_record_is_edited_by_who_has_the_title(): void
    {
        $elsewhere = $this->staff($this->library('larkspur'), StaffRole::Catalogue);
        $this->be($elsewhere, 'staff');
        $this->get("/desk/titles/{$this->title->id}/record")
            ->assertForbidden()
            ->assertSee('libraries that have the title');
        $this->save(['name' => 'Not theirs'])->assertForbidden();
        $this->assertSame('Low Water', $this->texts()['name']);
    }

    public function test_a_cover_that_staff_send_is_drawn_anew_and_stands_before_that_of_the_file(): void
    {
        $this->title->update(['file_cover' => 'aa/cover.jpg', 'cover_file' => 'aa/cover.jpg']);
        $send = fn(string $bytes) => $this->post("/desk/titles/{$this->title->id}/record/cover", [
            'cover' => UploadedFile::fake()->createWithContent('cover.png', $bytes),
        ]);
        $picture = imagecreatetruecolor(900, 1200);
        imagealphablending($picture, false);
        imagesavealpha($picture, true);
        imagefill($picture, 0, 0, (int) imagecolorallocatealpha($picture, 0, 0, 0, 127));
        foreach (['imagepng', 'imagewebp'] as $write) {
            ob_start();
            $write($picture);
            $bytes = (string) ob_get_clean();
            $send("{$bytes}trailing <script>alert(1)</script>")->assertSessionHas('said');
            $own = (string) $this->title->refresh()->own_cover;
            $kept = (string) file_get_contents(storage_path("publications/{$own}"));
            $this->assertStringNotContainsString('alert', $kept);
            $this->assertSame([480, 640], array_slice((array) getimagesizefromstring($kept), 0, 2));
            $drawn = imagecreatefromstring($kept) ?: $this->fail('It is no picture.');
            $this->assertGreaterThan(0xfafafa, imagecolorat($drawn, 200, 200), 'what is transparent is paper');
        }
        $svg =
            '<svg xmlns="http://www.w3.org/2000/svg" width="30" height="40"><script>alert(1)</script><rect ' .
            'width="30" height="40" fill="#7a2048"/></svg>';
        $send($svg)->assertSessionHas('said');
        $this->assertSame($this->title->refresh()->own_cover, $this->title->cover_file);
        $this->get("/titles/{$this->title->id}/cover")
            ->assertOk()
            ->assertHeader('Content-Type', 'image/jpeg');
        foreach (['text', '<svg', str_repeat('x', 1024 * KeepCover::MOST_KILOBYTES + 1)] as $wrong) {
            $send($wrong)->assertSessionHas('refusal');
        }
        $this->assertStringStartsWith('covers/', (string) $this->title->refresh()->cover_file);
        $this->post("/desk/titles/{$this->title->id}/record/cover")->assertSessionHas('refusal');
        $this->assertNotNull($this->title->refresh()->own_cover, 'a form without a file takes nothing away');
        $this->post("/desk/titles/{$this->title->id}/record/cover", ['take_off' => '1'])->assertSessionHas('said');
        $this->assertSame('aa/cover.jpg', $this->title->refresh()->cover_file);
        $this->assertSame(4, DB::table('desk_changes')->where('what', 'cover_changed')->count());

        // What no title shows any more goes after a day.
        $send($svg);
        $shown = storage_path('publications/' . $this->title->refresh()->own_cover);
        $files = (array) glob(storage_path('publications/covers/*.jpg'));
        array_map(fn(mixed $file): bool => touch((string) $file, time() - 90_000), $files);
        $this->artisan('storage:tidy')->assertSuccessful();
        $this->assertSame([$shown], glob(storage_path('publications/covers/*.jpg')));
    }

    public function test_any_title_is_found_with_how_it_stands(): void
    {
        $this->title('Low Nowhere');
        $this->licence($this->title('Low Ended'), ends: '-1 day');
        $this->licence($this->title('Low Theirs'), library: $this->library('larkspur'));
        $page = $this->get('/desk/titles?find=low')->assertOk();
        foreach (
            ['Low Water', 'Low Nowhere', 'Low Ended', 'Low Theirs', 'One copy', 'Licence ended', 'No licence']
            as $words
        ) {
            $page->assertSee($words);
        }
        $names = array_map(fn(FoundTitle $of): string => $of->title->name, $page->viewData('page')->items());
        $this->assertSame(['Low Ended', 'Low Water'], array_slice($names, 0, 2), 'the library’s own first');
        $this->get('/desk/titles?find=zzz')->assertSee('No title here is like that');
        $this->get('/desk/titles?' . http_build_query(['find' => "' & | !"]))->assertOk();
        $this->get('/desk/titles')->assertOk()->assertSee('Finds every title');
    }

    public function test_two_books_of_one_name_and_author_are_parted_and_put_together_whatever_records_say_later(): void
    {
        $this->licence($other = $this->title('Low Water', Format::Audiobook));
        $this->assertSame($this->title->work_id, $other->work_id);
        $say = fn(array $what): TestResponse => $this->post("/desk/titles/{$this->title->id}/record/work", $what);
        $apart = fn(): bool => $this->title->refresh()->work_id !== $other->refresh()->work_id;
        $this->get("/desk/titles/{$this->title->id}/record")->assertSee('Of this work there are also:');
        $say(['do' => 'apart'])->assertSessionHas('said');
        $this->assertTrue($apart());
        $this->get("/titles/{$other->id}?library=saltmere")->assertDontSee("/titles/{$this->title->id}\"", false);
        // A record that comes again, and staff who change another field, leave it so.
        app(SaveRecord::class)(RecordOfTitle::of($this->title), $this->now());
        $this->save(['subtitle' => 'A novel']);
        $this->assertTrue($apart());
        // Another book of that name is of the work that records mean.
        $this->assertSame($other->work_id, $this->title('Low Water', Format::Video)->work_id);
        $say(['do' => 'record']);
        $this->assertFalse($apart());

        $translated = $this->title('Marea baja');
        foreach (
            [(string) $translated->id, "https://fig.example/titles/{$translated->id}?library=saltmere"]
            as $named
        ) {
            $say(['do' => 'apart']);
            $say(['do' => 'together', 'other' => $named])->assertSessionHasNoErrors();
            $this->assertSame($translated->work_id, $this->title->refresh()->work_id, $named);
        }
        app(SaveRecord::class)(RecordOfTitle::of($this->title), $this->now());
        $this->assertSame($translated->work_id, $this->title->refresh()->work_id);
        foreach (['', '999999', (string) $this->title->id, 'Marea baja'] as $nobody) {
            $say(['do' => 'together', 'other' => $nobody])->assertSessionHasErrors('other');
        }
        $this->assertSame(
            ['“Marea baja” (ebook)', '“Low Water” (audiobook), “Low Water” (video)'],
            array_map(
                fn(string $facts): string => json_decode($facts, true)['work'][1],
                DB::table('desk_changes')
                    ->where('what', 'work_changed')
                    ->whereIn(
                        'id',
                        DB::table('desk_changes')
                            ->where('what', 'work_changed')
                            ->orderByDesc('id')
                            ->limit(1)
                            ->pluck('id')
                            ->push(
                                DB::table('desk_changes')
                                    ->where('what', 'work_changed')
                                    ->orderBy('id')
                                    ->skip(1)
                                    ->value('id'),
                            ),
                    )
                    ->orderByDesc('id')
                    ->pluck('facts')
                    ->all(),
            ),
        );
    }
}

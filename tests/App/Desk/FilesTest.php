<?php

declare(strict_types=1);

namespace Tests\App\Desk;

use App\Models\FileImport;
use App\Models\Licence;
use App\Models\StaffMember;
use App\Models\Title;
use App\Models\Upload;
use FigPorch\Core\Desk\StaffRole;
use FigPorch\Demo\DemoEbooks;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\ImportsBooks;
use Tests\App\TestCase;
use ZipArchive;

/** Files that staff send: in parts, broken off and gone on with, taken in or refused with a reason. */
final class FilesTest extends TestCase
{
    use ImportsBooks;

    private StaffMember $staff;

    protected function setUp(): void
    {
        parent::setUp();
        $this->be($this->staff = $this->staff(role: StaffRole::Catalogue), 'staff');
    }

    private function begin(string $name, int $bytes): string
    {
        return (string) $this->postJson('/desk/uploads', ['name' => $name, 'bytes' => $bytes])
            ->assertCreated()
            ->json('id');
    }

    /** @return \Illuminate\Testing\TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function part(string $id, int $at, string $bytes): \Illuminate\Testing\TestResponse
    {
        return $this->call(
            'PUT',
            "/desk/uploads/{$id}?at={$at}",
            content: $bytes,
            server: [
                'CONTENT_TYPE' => 'application/octet-stream',
                'HTTP_ACCEPT' => 'application/json',
            ],
        );
    }

    private function upload(string $name, string $bytes): string
    {
        $id = $this->begin($name, strlen($bytes));
        foreach (str_split($bytes, 100_000) as $n => $part) {
            $this->part($id, 100_000 * $n, $part)->assertOk();
        }

        return $id;
    }

    public function test_a_file_comes_in_parts_whatever_is_sent_twice_or_breaks_off(): void
    {
        $bytes = random_bytes(2500);
        $id = $this->begin('low-water.epub', 2500);
        $this->part($id, 0, substr($bytes, 0, 1000))
            ->assertOk()
            ->assertJson(['received' => 1000]);
        // The answer was lost, and the part comes again.
        $this->part($id, 0, substr($bytes, 0, 1000))
            ->assertConflict()
            ->assertJson(['received' => 1000]);
        // A process was ended after it had written and before it had said so.
        file_put_contents(storage_path("uploads/{$id}"), 'rest of a part', FILE_APPEND);
        $this->part($id, 2000, substr($bytes, 2000))->assertConflict();
        $this->getJson("/desk/uploads/{$id}")->assertJson(['received' => 1000]);
        $this->part($id, 1000, substr($bytes, 1000) . 'more than the file')->assertConflict();
        $this->part($id, -1, 'x')->assertConflict();
        $this->part($id, 1000, substr($bytes, 1000))
            ->assertOk()
            ->assertJson(['received' => 2500]);
        $this->assertSame($bytes, file_get_contents(storage_path("uploads/{$id}")));
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function wrongUploads(): iterable
    {
        yield 'no name' => [['name' => '', 'bytes' => 10]];
        yield 'nothing in it' => [['name' => 'x', 'bytes' => 0]];
        yield 'less than nothing' => [['name' => 'x', 'bytes' => -5]];
        yield 'no number' => [['name' => 'x', 'bytes' => 'many']];
        yield 'more than may be' => [['name' => 'x', 'bytes' => 3_000_000_000]];
        yield 'nothing said' => [[]];
    }

    /** @param  array<string, mixed>  $form */
    #[DataProvider('wrongUploads')]
    public function test_a_file_that_cannot_be_is_not_begun(array $form): void
    {
        $this->postJson('/desk/uploads', $form)
            ->assertUnprocessable()
            ->assertJsonStructure(['message']);
        $this->assertSame(0, Upload::query()->count());
    }

    public function test_an_upload_is_of_who_sends_it_and_a_name_leads_nowhere_else(): void
    {
        $id = $this->begin('../../../etc/passwd', 3);
        $this->be($this->staff(), 'staff');
        $this->getJson("/desk/uploads/{$id}")->assertNotFound();
        $this->part($id, 0, 'abc')->assertNotFound();
        $this->getJson('/desk/uploads/not-a-number')->assertNotFound();
        $this->be($this->staff, 'staff');
        $this->part($id, 0, 'abc')->assertOk();
        $this->assertFileExists(storage_path("uploads/{$id}"));
    }

    public function test_files_become_titles_or_are_refused_with_a_reason(): void
    {
        $book = (string) file_get_contents($this->bookFile());
        $good = $this->upload('low-water.epub', $book);
        $bad = $this->upload('broken.epub', substr($book, 0, 3000));
        $again = $this->upload('other-name.epub', $book);
        $half = $this->begin('half.epub', 100);
        $form = ['uploads' => "{$good},{$bad},{$again},{$half},nonsense", 'licence' => 'one_copy_one_user'];
        $this->post('/desk/files', $form + ['copies' => '2', 'price' => '24,50'])->assertSessionHas('said');
        // Sent twice: taken in once.
        $this->post('/desk/files', $form + ['copies' => '2', 'price' => '24,50']);
        $this->get('/desk/files')->assertOk()->assertSee('3 files are still being taken in');
        $this->workThroughQueue('imports');

        $states = FileImport::query()->orderBy('name')->pluck('state', 'name')->all();
        $this->assertSame(
            ['broken.epub' => 'refused', 'low-water.epub' => 'taken_in', 'other-name.epub' => 'known'],
            $states,
        );
        $licence = Licence::query()->sole();
        $this->assertSame(
            [$this->staff->library_id, 2, 2450],
            [$licence->library_id, $licence->copies, (int) $licence->getAttribute('price_cents')],
        );
        $this->get('/desk/files')
            ->assertSee(Title::query()->findOrFail($licence->title_id)->name)
            ->assertSee('Refused');
        $this->assertSame([$half], Upload::query()->pluck('id')->all());
        $this->assertFileDoesNotExist(storage_path("uploads/{$good}"));
        $this->assertSame(2, DB::table('desk_changes')->where('what', 'file_taken_in')->count());
    }

    public function test_a_title_may_come_without_a_licence_and_then_nothing_is_bought(): void
    {
        $id = $this->upload('low-water.epub', (string) file_get_contents($this->bookFile()));
        $this->post('/desk/files', ['uploads' => $id, 'licence' => 'none']);
        $this->workThroughQueue('imports');
        $this->assertSame(0, Licence::query()->count());
        $this->get('/desk/files')->assertSee('Without a licence');
        $title = FileImport::query()->sole()->title_id;
        $this->get("/desk/titles/{$title}?add=1")->assertOk();
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function wrongTerms(): iterable
    {
        yield 'no kind' => [['licence' => 'gift', 'price' => '1'], 'licence'];
        yield 'no copies' => [['licence' => 'one_copy_one_user', 'copies' => '0', 'price' => '1'], 'copies'];
        yield 'no price' => [['licence' => 'simultaneous'], 'price'];
        yield 'a price in words' => [['licence' => 'simultaneous', 'price' => 'free'], 'price'];
    }

    /** @param  array<string, string>  $form */
    #[DataProvider('wrongTerms')]
    public function test_a_licence_without_what_it_needs_is_refused_and_the_files_stay(array $form, string $field): void
    {
        $id = $this->upload('low-water.epub', 'x');
        $this->post('/desk/files', $form + ['uploads' => $id])->assertSessionHasErrors($field);
        $this->assertSame(0, FileImport::query()->count());
        $this->assertTrue(Upload::query()->findOrFail($id)->isWhole());
        $this->post('/desk/files', ['licence' => 'none', 'uploads' => ''])->assertSessionHas('refusal');
    }

    /** The same edition with other contents: one's own is replaced, and that of others is not. */
    public function test_a_file_that_another_library_lends_is_not_replaced_from_here(): void
    {
        $book = (new DemoEbooks())->books()[0];
        $title = $this->importBook($book);
        $newer = (string) file_get_contents($this->changed($this->bookFile($book)));
        $send = function () use ($newer): ?string {
            $this->post('/desk/files', ['uploads' => $this->upload('newer.epub', $newer), 'licence' => 'none']);
            $this->workThroughQueue('imports');

            return FileImport::query()->latest('id')->value('state');
        };
        $before = $title->publication()->value('sha256');
        $this->be($this->staff($this->library('larkspur')), 'staff');
        $this->assertSame('refused', $send());
        $this->assertSame($before, $title->publication()->value('sha256'));
        $this->get('/desk/files')->assertSee('another library has');
        $this->be($this->staff, 'staff');
        $this->assertSame('taken_in', $send());
        $this->assertNotSame($before, $title->publication()->value('sha256'));
    }

    /** An EPUB that is another file now, and the same edition. */
    private function changed(string $file): string
    {
        $zip = new ZipArchive();
        $zip->open($file);
        $zip->setArchiveComment('A newer printing.');
        $zip->close();

        return $file;
    }
}

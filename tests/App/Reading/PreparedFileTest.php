<?php

declare(strict_types=1);

namespace Tests\App\Reading;

use App\Models\Loan;
use App\Models\PreparedFile;
use App\Reading\Prepared\ForgetFiles;
use App\Reading\Prepared\PrepareInBackground;
use Illuminate\Filesystem\Filesystem;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Tests\App\ImportsBooks;
use Tests\App\TestCase;
use ZipArchive;

/** Files that take their time are made in the background, and say how far they are. */
final class PreparedFileTest extends TestCase
{
    use ImportsBooks;

    private Loan $loan;

    protected function setUp(): void
    {
        parent::setUp();
        // Numbers of files begin anew with each run.
        app(Filesystem::class)->cleanDirectory(storage_path('prepared'));
        $this->loan = $this->borrow($card = $this->card(), $this->importBook());
        DB::table('licences')->update(['download' => 'open', 'chapters_as_pdf' => true]);
        $this->be($card->person);
    }

    public function test_a_large_file_is_made_in_the_background_once_and_then_given(): void
    {
        $this->makeLarge();
        $page = $this->get("/loans/{$this->loan->id}/download/epub")->headers->get('Location');
        $file = PreparedFile::query()->sole();
        $this->assertSame("/loans/{$this->loan->id}/prepared/{$file->id}", $page);
        // A second window, and the file before it is there.
        $this->get("/loans/{$this->loan->id}/download/epub")->assertRedirect($page);
        $this->get("{$page}/file")->assertRedirect($page);
        $this->get($page)->assertOk()->assertSee('It is being made.')->assertSee('every 1s', false);
        $this->assertSame(1, DB::table('jobs')->where('queue', 'files')->count());

        $this->makeThem();
        $this->get($page)->assertSee('Your file is ready.')->assertDontSee('every 1s', false);
        $answer = $this->get("{$page}/file")->assertOk()->baseResponse;
        $this->assertInstanceOf(BinaryFileResponse::class, $answer);
        $this->assertStringContainsString(
            'the-salt-ledger.epub',
            (string) $answer->headers->get('Content-Disposition'),
        );
        $zip = new ZipArchive();
        $this->assertTrue($zip->open($answer->getFile()->getPathname()));
        $this->assertSame('application/epub+zip', $zip->getFromName('mimetype'));
        // Asked for once more, it is there at once.
        $this->get("/loans/{$this->loan->id}/download/epub")->assertOk();
        $this->assertSame(1, PreparedFile::query()->count());
    }

    public function test_many_pages_are_set_in_the_background_and_few_at_once(): void
    {
        $address = "/loans/{$this->loan->id}/pages";
        $this->post($address, ['from' => '1', 'to' => '6', 'pdf' => '1']);
        $this->get("{$address}/1-6.pdf")->assertRedirect(
            $page = "/loans/{$this->loan->id}/prepared/" . PreparedFile::query()->value('id'),
        );
        $this->get($page)->assertSee('Pages 1 to 6 as PDF');
        $this->get("{$address}/2-6.pdf")->assertOk();
        $this->makeThem();
        $this->get("{$page}/file")
            ->assertOk()
            ->assertHeader('Content-Type', 'application/pdf');
    }

    public function test_one_person_does_not_hold_up_the_others(): void
    {
        $address = "/loans/{$this->loan->id}/pages";
        $this->post($address, ['from' => '1', 'to' => '7', 'pdf' => '1'])->assertSessionHasNoErrors();
        foreach (['1-6', '1-7', '2-7'] as $pages) {
            $this->get("{$address}/{$pages}.pdf")->assertRedirectContains('/prepared/');
        }
        $this->makeLarge();
        $fourth = "/loans/{$this->loan->id}/download/epub";
        $this->get($fourth)
            ->assertRedirect('/loans')
            ->assertSessionHas(
                'refusal',
                '3 of your files are still being made. Ask for the next when one of them is ready.',
            );
        $this->get('/loans/' . $this->loan->id . '/prepared/' . PreparedFile::query()->max('id'))->assertSee(
            'It is made after 2 other files.',
        );
        $this->makeThem();
        $this->get($fourth)->assertRedirectContains('/prepared/');
    }

    public function test_a_file_that_cannot_be_made_says_so_and_can_be_asked_for_again(): void
    {
        $this->makeLarge();
        $sha = $this->loan->title->publication?->sha256;
        $folder = storage_path("publications/{$sha}/whole");
        $page = (string) $this->get("/loans/{$this->loan->id}/download/epub")->headers->get('Location');
        rename($folder, "{$folder}-away");
        $this->makeThem();
        rename("{$folder}-away", $folder);
        $this->get($page)->assertSee('could not be made')->assertSee('Make it again');
        $this->assertSame([], glob(storage_path('prepared/*.*')));
        $again = (string) $this->post("{$page}/again")->headers->get('Location');
        $this->assertNotSame($page, $again);
        $this->makeThem();
        $this->get("{$again}/file")->assertOk();
        // Lost from the disk: it does not pretend.
        unlink(PreparedFile::query()->sole()->path());
        $this->get("{$again}/file")->assertRedirect($again);
        $this->get($again)->assertSee('Make it again');
    }

    public function test_it_ends_with_the_loan_and_after_two_hours(): void
    {
        $this->get("/loans/{$this->loan->id}/download/epub")->assertOk();
        $file = PreparedFile::query()->sole();
        $forget = app(ForgetFiles::class);
        $this->assertSame(0, $forget($this->now()->addMinutes(119)));
        $this->assertFileExists($file->path());
        $this->post("/loans/{$this->loan->id}/return");
        $this->get("/loans/{$this->loan->id}/prepared/{$file->id}")->assertStatus(410);
        $this->get("/loans/{$this->loan->id}/prepared/{$file->id}/file")->assertStatus(410);
        $this->assertSame(1, $forget($this->now()));
        $this->assertFileDoesNotExist($file->path());

        $loan = $this->borrow($this->loan->card ?? $this->fail('It has one.'), $this->loan->title);
        $this->get("/loans/{$loan->id}/download/epub")->assertOk();
        $this->assertSame(1, $forget($this->now()->addHours(2)));
        $this->assertSame(0, PreparedFile::query()->count());
    }

    public function test_a_file_is_found_at_its_own_loan_alone(): void
    {
        $this->get("/loans/{$this->loan->id}/download/epub")->assertOk();
        $file = PreparedFile::query()->sole();
        $other = $this->title('Another');
        $this->licence($other);
        $loan = $this->borrow($this->loan->card ?? $this->fail('It has one.'), $other);
        $this->get("/loans/{$this->loan->id}/prepared/{$file->id}/file")->assertOk();
        $this->get("/loans/{$loan->id}/prepared/{$file->id}/file")->assertNotFound();
    }

    public function test_nothing_is_made_of_a_loan_that_has_ended_meanwhile(): void
    {
        $this->makeLarge();
        $this->get("/loans/{$this->loan->id}/download/epub")->assertRedirect();
        $this->post("/loans/{$this->loan->id}/return");
        $this->makeThem();
        $this->assertFileDoesNotExist(PreparedFile::query()->sole()->path());
        $this->assertSame(0, DB::table('failed_jobs')->count());
    }

    public function test_the_last_try_that_is_killed_is_a_failure(): void
    {
        $this->makeLarge();
        $page = (string) $this->get("/loans/{$this->loan->id}/download/epub")->headers->get('Location');
        (new PrepareInBackground(PreparedFile::query()->sole()->id))->failed(null);
        $this->get($page)->assertSee('Make it again');
    }

    /** So large, it says, that nobody waits for it. */
    private function makeLarge(): void
    {
        $publication = $this->loan->title->publication ?? $this->fail('The title has a file.');
        $publication->update(['sizes' => ['book/package.opf' => 200_000_000] + $publication->sizes]);
    }

    private function makeThem(): void
    {
        $this->artisan('queue:work', ['connection' => 'files', '--stop-when-empty' => true, '--sleep' => 0]);
        $this->artisan('queue:work', ['connection' => 'files', '--stop-when-empty' => true, '--sleep' => 0]);
    }
}

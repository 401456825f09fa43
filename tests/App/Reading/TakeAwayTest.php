<?php

declare(strict_types=1);

namespace Tests\App\Reading;

use App\Models\Loan;
use App\Models\Publication;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\Process\Process;
use Tests\App\ImportsBooks;
use Tests\App\TestCase;
use ZipArchive;

/** Loans offline and as files, as far as the licence goes. */
final class TakeAwayTest extends TestCase
{
    use ImportsBooks;

    private Loan $loan;

    protected function setUp(): void
    {
        parent::setUp();
        $this->loan = $this->borrow($card = $this->card(), $this->importBook());
        $this->be($card->person);
    }

    public function test_a_device_learns_what_to_take_and_which_loans_are_open(): void
    {
        $due = $this->loan->due_at->getTimestampMs();
        $files = $this->getJson("/loans/{$this->loan->id}/offline")
            ->assertOk()
            ->assertJsonPath('due', $due)
            ->json('files');
        $this->assertContains(
            ['book/chapter-01.xhtml', $this->publication()->sizes['book/chapter-01.xhtml'], 'application/xhtml+xml'],
            $files,
        );
        $this->assertCount(count($this->publication()->sizes), $files);
        $this->getJson('/offline/loans')->assertExactJson([['id' => $this->loan->id, 'due' => $due]]);
        $this->get('/loans')->assertSee('data-offline', false);

        $this->post("/loans/{$this->loan->id}/return");
        $this->getJson('/offline/loans')->assertExactJson([]);
        $this->getJson("/loans/{$this->loan->id}/offline")->assertStatus(410);
        $this->post('/sign-out');
        $this->getJson('/offline/loans')->assertUnauthorized();
        $this->get('/offline')->assertOk()->assertDontSee('csrf', false);
    }

    public function test_a_licence_that_does_not_allow_it_says_so(): void
    {
        DB::table('licences')->update(['offline' => false]);
        $this->get('/loans')->assertDontSee('data-offline', false)->assertDontSee('Download:');
        $this->getJson("/loans/{$this->loan->id}/offline")
            ->assertForbidden()
            ->assertJson(['message' => 'The licence of this title does not allow taking it offline.']);
        $this->get("/loans/{$this->loan->id}/download/epub")->assertForbidden();
    }

    public function test_an_ebook_is_downloaded_as_the_epub_it_came_as(): void
    {
        DB::table('licences')->update(['download' => 'open']);
        $this->get('/loans')
            ->assertSee('Download:')
            ->assertSee("/loans/{$this->loan->id}/download/epub", false);
        $response = $this->get("/loans/{$this->loan->id}/download/epub")
            ->assertOk()
            ->assertHeader('Content-Type', 'application/epub+zip')->baseResponse;
        $this->assertInstanceOf(BinaryFileResponse::class, $response);
        $this->assertStringContainsString(
            'the-salt-ledger.epub',
            (string) $response->headers->get('Content-Disposition'),
        );
        $file = $response->getFile()->getPathname();
        // OCF 3.3, §4.2.2: "mimetype" is the first entry, as it is, so that its words stand at bytes 30 and 38.
        $this->assertSame('mimetypeapplication/epub+zip', file_get_contents($file, offset: 30, length: 28));
        // The check goes by a file's name.
        copy($file, $copy = "{$file}.epub");
        $check = new Process(
            [
                'node',
                base_path('node_modules/@likecoin/epubcheck-ts/bin/epubcheck.js'),
                $copy,
                '--fail-on-warnings',
                '--warn',
            ],
            timeout: 60,
        );
        $this->assertSame(0, $check->run(), $check->getOutput());
        unlink($copy);
        $this->get("/loans/{$this->loan->id}/download/files")->assertNotFound();
        $this->later(days: 60);
        $this->get("/loans/{$this->loan->id}/download/epub")->assertStatus(410);
    }

    public function test_a_recording_is_downloaded_as_a_w3c_package_and_as_its_files(): void
    {
        DB::table('licences')->update(['download' => 'open']);
        $publication = $this->publication();
        $folder = storage_path("publications/{$publication->sha256}/whole");
        foreach (['publication.json' => '{}', 'b.mp3' => 'second', 'a.mp3' => 'first'] as $name => $bytes) {
            file_put_contents("{$folder}/{$name}", $bytes);
        }
        $part = fn(string $path): array => [
            'path' => $path,
            'type' => 'audio/mpeg',
            'name' => $path,
            'seconds' => 1.0,
            'captions' => [],
        ];
        $publication->update([
            'media_type' => 'application/lpf+zip',
            'sizes' => ['publication.json' => 2, 'a.mp3' => 5, 'b.mp3' => 6],
            'parts' => [$part('b.mp3'), $part('a.mp3')],
        ]);
        $names = function (string $kind): array {
            $response = $this->get("/loans/{$this->loan->id}/download/{$kind}")->assertOk()->baseResponse;
            \assert($response instanceof BinaryFileResponse);
            $zip = new ZipArchive();
            $zip->open($response->getFile()->getPathname());

            return array_map(
                fn(int $n): string => $zip->getNameIndex($n) . '=' . $zip->getFromIndex($n),
                range(0, $zip->numFiles - 1),
            );
        };
        $this->assertSame(['publication.json={}', 'a.mp3=first', 'b.mp3=second'], $names('package'));
        $this->assertSame(['01-b.mp3=second', '02-a.mp3=first'], $names('files'));
    }

    private function publication(): Publication
    {
        return $this->loan->title->publication ?? $this->fail('The title has a file.');
    }
}

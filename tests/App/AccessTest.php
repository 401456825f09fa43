<?php

declare(strict_types=1);

namespace Tests\App;

use App\Models\Loan;
use App\Models\Person;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Files are sent for as long as a loan is open, excerpts never give more than themselves, and each page is protected.
 */
final class AccessTest extends TestCase
{
    use ImportsBooks;

    private const LOCATOR = [
        'href' => 'book/chapter-01.xhtml',
        'type' => 'application/xhtml+xml',
        'locations' => ['progression' => 0.5, 'totalProgression' => 0.5],
    ];

    private Loan $loan;

    public function test_files_of_a_book_that_is_not_borrowed_or_no_longer(): void
    {
        $owner = $this->scene();
        $file = "/loans/{$this->loan->id}/files/book/chapter-02.xhtml";
        $this->be($owner)->get($file)->assertOk()->assertHeader('Content-Security-Policy');

        $this->travelTo($this->loan->due_at->subSecond());
        $this->get($file)->assertOk();
        $this->travelTo($this->loan->due_at);
        $this->get($file)->assertStatus(410);
        $this->get("/loans/{$this->loan->id}/read")
            ->assertStatus(410)
            ->assertSee('This loan has ended');
        $this->putJson("/loans/{$this->loan->id}/place", $this->placeData())->assertStatus(410);
    }

    public function test_an_excerpt_gives_its_own_files_and_never_more(): void
    {
        $this->scene();
        $title = $this->loan->title_id;
        $this->get("/titles/{$title}/excerpt")->assertOk();
        $this->get("/titles/{$title}/excerpt/files/book/package.opf")->assertOk();
        foreach (
            [
                'book/chapter-03.xhtml',
                '../whole/book/chapter-03.xhtml',
                'book/../../whole/book/chapter-03.xhtml',
                '..%2fwhole%2fbook%2fchapter-03.xhtml',
                'nothing',
            ]
            as $path
        ) {
            $this->assertContains($this->get("/titles/{$title}/excerpt/files/{$path}")->getStatusCode(), [404], $path);
        }
        $this->get("/titles/{$title}/excerpt/files/%00")->assertStatus(400);
    }

    public function test_paths_lead_nowhere_but_into_the_publication(): void
    {
        $this->be($this->scene());
        foreach (
            [
                '../../../../etc/passwd',
                'book/../../../../env',
                '..%2f..%2fenv',
                '/etc/passwd',
                'META-INF/../../cover.svg',
            ]
            as $path
        ) {
            $this->get("/loans/{$this->loan->id}/files/{$path}")->assertNotFound();
        }
    }

    public function test_nginx_is_told_which_file_to_send(): void
    {
        config(['figporch.file_delivery' => 'accel']);
        $this->be($this->scene());
        $response = $this->get("/loans/{$this->loan->id}/files/book/chapter-01.xhtml")->assertOk();

        $this->assertStringStartsWith('/_publications/', (string) $response->headers->get('X-Accel-Redirect'));
        $this->assertSame('', $response->getContent(), 'the file does not pass through PHP');
    }

    public function test_every_page_carries_the_protective_headers(): void
    {
        $this->scene();
        foreach (['/', '/catalogue', '/sign-in', "/titles/{$this->loan->title_id}", '/nothing-here'] as $page) {
            $response = $this->withCookie('library', 'saltmere')->get($page);
            $policy = (string) $response->headers->get('Content-Security-Policy');
            $this->assertStringContainsString("script-src 'self'", $policy);
            $this->assertStringNotContainsString('unsafe', $policy, $page);
            $this->assertSame(
                ['nosniff', 'DENY'],
                [$response->headers->get('X-Content-Type-Options'), $response->headers->get('X-Frame-Options')],
            );
        }
    }

    private function scene(): Person
    {
        $title = $this->importBook();
        $this->loan = $this->borrow($card = $this->card(), $title);
        DB::table('licences')->update(['chapters_as_pdf' => true, 'download' => 'open']);
        $this->licence($wanted = $this->title('Wanted'));
        $this->borrow($this->card(), $wanted);
        $this->hold($card, $wanted);

        return $card->person;
    }

    /** @return array<string, mixed> */
    private function placeData(): array
    {
        return ['device' => (string) Str::uuid(), 'read_at' => 1000, 'sent_at' => 1500, 'locator' => self::LOCATOR];
    }
}

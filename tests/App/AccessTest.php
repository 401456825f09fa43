<?php

declare(strict_types=1);

namespace Tests\App;

use App\Models\Loan;
use App\Models\Mark;
use App\Models\Person;
use App\Models\Place;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;

/** Guessing addresses gets nobody anything: each route of a loan, a place, a hold or a file, tried by everyone else. */
final class AccessTest extends TestCase
{
    use ImportsBooks;

    private const LOCATOR = ['href' => 'book/chapter-01.xhtml', 'type' => 'application/xhtml+xml', 'locations' => ['progression' => 0.5, 'totalProgression' => 0.5]];

    private Loan $loan;

    /** @return iterable<string, array{string, int}> who tries, what is answered to a plain GET */
    public static function others(): iterable
    {
        yield 'nobody' => ['nobody', 302];
        yield 'another patron' => ['another patron', 404];
        yield 'staff of another library' => ['staff of another library', 404];
    }

    #[DataProvider('others')]
    public function test_what_belongs_to_a_patron(string $who, int $answer): void
    {
        $this->be($owner = $this->scene());
        foreach ($this->ownRoutes() as $name => [$method, $address, $data]) {
            $this->assertLessThan(400, $this->json($method, $address, $data, $method === 'GET' ? ['Accept' => 'text/html'] : [])->getStatusCode(), "{$name} is open to its owner");
        }
        $this->setUp();
        $this->scene();
        $kept = fn (): array => [Loan::query()->get()->toArray(), Place::query()->get()->toArray(), Mark::query()->get()->toArray()];
        $before = $kept();
        $this->enter($who);
        foreach ($this->ownRoutes() as $name => [$method, $address, $data]) {
            $status = $this->call($method, $address, $data)->getStatusCode();
            $this->assertSame($answer, $status, "{$name} as {$who}");
            $this->assertContains($this->json($method, $address, $data)->getStatusCode(), [401, 404], "{$name} as {$who}, as JSON");
        }
        $this->assertSame($before, $kept(), 'nothing was changed');
        $this->assertNotNull($owner);
    }

    public function test_every_route_with_a_loan_or_a_hold_is_in_this_test(): void
    {
        $this->scene();
        $guarded = collect(Route::getRoutes()->getRoutes())
            ->filter(fn ($route): bool => preg_match('/\{(loan|hold)\}/', $route->uri()) === 1)
            ->map(fn ($route): string => (string) $route->getName())->sort()->values()->all();

        $this->assertSame($guarded, collect($this->ownRoutes())->keys()->sort()->values()->all());
    }

    public function test_files_of_a_book_that_is_not_borrowed_or_no_longer(): void
    {
        $owner = $this->scene();
        $file = "/loans/{$this->loan->id}/files/book/chapter-02.xhtml";
        $this->be($owner)->get($file)->assertOk()->assertHeader('Content-Security-Policy');

        $this->travelTo($this->loan->due_at->subSecond());
        $this->get($file)->assertOk();
        $this->travelTo($this->loan->due_at);
        $this->get($file)->assertStatus(410);
        $this->get("/loans/{$this->loan->id}/read")->assertStatus(410)->assertSee('This loan has ended');
        $this->putJson("/loans/{$this->loan->id}/place", $this->placeData())->assertStatus(410);
    }

    public function test_an_excerpt_gives_its_own_files_and_never_more(): void
    {
        $this->scene();
        $title = $this->loan->title_id;
        $this->get("/titles/{$title}/excerpt")->assertOk();
        $this->get("/titles/{$title}/excerpt/files/book/package.opf")->assertOk();
        foreach (['book/chapter-03.xhtml', '../whole/book/chapter-03.xhtml', 'book/../../whole/book/chapter-03.xhtml', '..%2fwhole%2fbook%2fchapter-03.xhtml', 'nothing', '%00'] as $path) {
            $this->assertContains($this->get("/titles/{$title}/excerpt/files/{$path}")->getStatusCode(), [404], $path);
        }
    }

    public function test_paths_lead_nowhere_but_into_the_publication(): void
    {
        $this->be($this->scene());
        foreach (['../../../../etc/passwd', 'book/../../../../env', '..%2f..%2fenv', '/etc/passwd', 'META-INF/../../cover.svg'] as $path) {
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
            $this->assertSame(['nosniff', 'DENY'], [$response->headers->get('X-Content-Type-Options'), $response->headers->get('X-Frame-Options')]);
        }
    }

    private function scene(): Person
    {
        $title = $this->importBook();
        $this->loan = $this->borrow($card = $this->card(), $title);
        DB::table('licences')->update(['chapters_as_pdf' => true, 'download' => true]);
        $this->licence($wanted = $this->title('Wanted'));
        $this->borrow($this->card(), $wanted);
        $this->hold($card, $wanted);

        return $card->person;
    }

    private function enter(string $who): void
    {
        match ($who) {
            'nobody' => $this->app['auth']->logout(),
            'another patron' => $this->be($this->card()->person),
            'staff of another library' => $this->be($this->card($this->library('larkspur'), 'staff')->person),
            default => $this->fail("nobody is called {$who}"),
        };
    }

    /** @return array<string, array{string, string, array<string, mixed>}> */
    private function ownRoutes(): array
    {
        $loan = "/loans/{$this->loan->id}";

        return [
            'read.show' => ['GET', "{$loan}/read", []],
            'read.file' => ['GET', "{$loan}/files/book/chapter-01.xhtml", []],
            'play.show' => ['GET', "{$loan}/listen", []],
            'marks.in' => ['GET', "{$loan}/marks", []],
            'marks.keep' => ['PUT', "{$loan}/marks/".Str::uuid(), ['locator' => self::LOCATOR, 'label' => 'Page 1', 'note' => '', 'changed_at' => 1000, 'sent_at' => 1500]],
            'pages.choose' => ['GET', "{$loan}/pages", []],
            'pages.take' => ['POST', "{$loan}/pages", ['from' => '1']],
            'pages.show' => ['GET', "{$loan}/pages/1-1", []],
            'pages.pdf' => ['GET', "{$loan}/pages/1-1.pdf", []],
            'offline.files' => ['GET', "{$loan}/offline", []],
            'download' => ['GET', "{$loan}/download/epub", []],
            'places.index' => ['GET', "{$loan}/places", []],
            'places.keep' => ['PUT', "{$loan}/place", $this->placeData()],
            'holds.pause' => ['POST', '/holds/1/pause', ['until' => now()->addDays(9)->format('Y-m-d')]],
            'holds.resume' => ['POST', '/holds/1/resume', []],
            'holds.at-once' => ['POST', '/holds/1/at-once', ['at_once' => '0']],
            'loans.renew' => ['POST', "{$loan}/renew", []],
            'holds.cancel' => ['DELETE', '/holds/1', []],
            'loans.return' => ['POST', "{$loan}/return", []],
            'loans.undo-return' => ['POST', "{$loan}/undo-return", []],
        ];
    }

    /** @return array<string, mixed> */
    private function placeData(): array
    {
        return ['device' => (string) Str::uuid(), 'read_at' => 1000, 'sent_at' => 1500, 'locator' => self::LOCATOR];
    }
}

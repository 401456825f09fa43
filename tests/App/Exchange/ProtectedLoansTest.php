<?php

declare(strict_types=1);

namespace Tests\App\Exchange;

use App\Exchange\Lcp\ProtectPublication;
use App\Exchange\Lcp\Provider;
use App\Exchange\Lcp\RegisterDevice;
use App\Lending\Licences\LicenceTerms;
use App\Models\Card;
use App\Models\Loan;
use App\Models\Passphrase;
use App\Models\ProtectedFile;
use App\Models\ProtectedLoan;
use App\Models\Publication;
use App\Models\Title;
use App\Reading\Publications\ImportPublication;
use Carbon\CarbonImmutable;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Demo\DemoEbooks;
use FigPorch\Demo\PdfBook;
use Illuminate\Filesystem\Filesystem;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\Process\Process;
use Tests\App\ImportsBooks;
use Tests\App\TestCase;
use ZipArchive;

/**
 * Files that end with the loan, as r2-shared-js and r2-lcp-js of npm open them: libraries that others wrote to the same
 * standard (LCP 1.0, LSD 1.0).
 */
final class ProtectedLoansTest extends TestCase
{
    use ImportsBooks;

    private const WORDS = 'seven quiet herons';

    private const STATUS = 'application/vnd.readium.license.status.v1.0+json';

    private Card $card;

    protected function setUp(): void
    {
        parent::setUp();
        app(Filesystem::class)->cleanDirectory(storage_path('prepared'));
        $this->card = $this->card();
        $this->be($this->card->person);
    }

    /** @return iterable<string, array{string}> */
    public static function books(): iterable
    {
        foreach (
            [
                'debian-policy/policy.epub',
                'debian-history/docs/project-history.ko.epub',
                'eyes17/ml/eyes17.epub',
                'developers-reference-ja/docs/developers-reference.epub',
            ]
            as $file
        ) {
            yield $file => ["/usr/share/doc/{$file}"];
        }
    }

    /** Books of Debian's packages, which nobody here made. */
    #[DataProvider('books')]
    public function test_what_comes_out_of_a_protected_book_is_what_went_in(string $book): void
    {
        $this->opensWhole($this->borrowFile($book), 'epub');
    }

    public function test_names_in_any_writing_and_fonts_that_are_hidden_already_come_out_as_well(): void
    {
        $loan = $this->borrowFile($this->oddBook());
        $found = $this->opensWhole($loan, 'epub');
        $clear = array_keys(array_filter($found['files'], fn(array $of): bool => !$of['isEncrypted']));
        // What LCP says must not be encrypted; r2 undoes the hiding of the font, which is no encryption.
        $this->assertEqualsCanonicalizing(['o/nav.xhtml', 'o/toc.ncx', 'o/Ünde cover.svg'], $clear);
        $this->assertTrue($found['files']['o/a%2Bb & ç (2).xhtml']['isEncrypted']);
        $xml = $this->entry($this->download($loan, 'protected'), 'META-INF/encryption.xml');
        $this->assertSame(1, substr_count($xml, 'http://www.idpf.org/2008/embedding'));
        $this->assertSame(1, substr_count($xml, 'hidden.woff'));
    }

    public function test_a_pdf_and_an_audiobook_come_out_as_they_went_in(): void
    {
        (new PdfBook())->write((new DemoEbooks())->later()[0][0], $pdf = tempnam(sys_get_temp_dir(), 'book') . '.pdf');
        $loan = $this->borrowFile($pdf);
        $this->get('/loans')->assertSee('protected PDF');
        $found = $this->opened($this->download($loan, 'protected'), 'lcpdf');
        $this->assertSame(
            ['isEncrypted' => true, 'type' => 'application/pdf', 'sha256' => hash_file('sha256', $pdf)],
            $found['files']['publication.pdf'],
        );

        $loan = $this->recording();
        $this->get('/loans')->assertSee('protected audiobook');
        $found = $this->opened($this->download($loan, 'protected'), 'lcpa');
        $this->assertSame(
            [
                'b.mp3' => [true, hash('sha256', str_repeat('second', 40_000))],
                'a.mp3' => [true, hash('sha256', '')],
                'notes/ü.vtt' => [true, hash('sha256', 'WEBVTT')],
            ],
            array_map(
                fn(array $of): array => [$of['isEncrypted'], $of['sha256']],
                array_diff_key($found['files'], ['cover.jpg' => 0]),
            ),
        );
        $this->assertFalse($found['files']['cover.jpg']['isEncrypted']);
    }

    public function test_only_the_passphrase_opens_it_and_nobody_changes_its_licence_unseen(): void
    {
        $loan = $this->borrowFile($this->bookFile());
        $file = $this->download($loan, 'protected');
        $this->assertTrue($this->open($file, 'epub', 'not it', self::WORDS)['opens']);
        $this->assertFalse($this->open($file, 'epub', 'not it', 'Seven quiet herons', '')['opens']);

        $licence = json_decode($this->entry($file, 'META-INF/license.lcpl'), true);
        $licence['rights']['end'] = '2099-01-01T00:00:00Z';
        copy($file, $touched = "{$file}.touched");
        $zip = new ZipArchive();
        $zip->open($touched);
        $zip->addFromString('META-INF/license.lcpl', (string) json_encode($licence));
        $zip->close();
        $this->assertFalse($this->open($touched, 'epub', self::WORDS)['isSigned']);
        // Nothing that names a person is in it, and nothing of the passphrase but whether it is right.
        $this->assertArrayNotHasKey('user', $licence);
        $text = (string) json_encode($licence);
        $this->assertStringNotContainsString($this->card->number, $text);
        $this->assertStringNotContainsString(hash('sha256', self::WORDS), $text);
    }

    public function test_the_certificate_chain_is_one_that_openssl_accepts_and_stays(): void
    {
        $chain = app(Provider::class)->certificates();
        [$root, $provider] = array_map(function (string $pem): string {
            file_put_contents($file = tempnam(sys_get_temp_dir(), 'pem'), $pem);

            return $file;
        }, array_values($chain));
        $check = new Process(['openssl', 'verify', '-x509_strict', '-CAfile', $root, $provider]);
        $this->assertSame(0, $check->run(), $check->getErrorOutput());
        $this->assertSame($chain, (new Provider())->certificates());
        Artisan::call('lcp:provider', ['--root' => true]);
        $this->assertSame($chain['root'], Artisan::output());
        Artisan::call('lcp:provider');
        $this->assertStringContainsString(
            'SHA-256 ' . openssl_x509_fingerprint($chain['provider'], 'sha256'),
            Artisan::output(),
        );
        // Another key of the application: what was sealed with the one before is lost, and a new chain is made.
        DB::table('lcp_provider')->update(['private' => 'sealed by another']);
        $this->assertNotSame($chain, (new Provider())->certificates());
    }

    public function test_a_licence_is_fetched_alone_and_leads_to_the_file(): void
    {
        $loan = $this->borrowFile($this->bookFile());
        $answer = $this->get("/loans/{$loan->id}/download/lcpl")->assertOk();
        $answer->assertHeader('Content-Type', 'application/vnd.readium.lcp.license.v1.0+json');
        $licence = $this->licenceOf($loan);
        $link = $licence['links'][1];
        $this->assertSame('publication', $link['rel']);
        $this->app->make('auth')->forgetGuards();
        $sent = $this->get($link['href'])->assertOk()->baseResponse;
        $this->assertInstanceOf(BinaryFileResponse::class, $sent);
        $this->assertSame(hash_file('sha256', $sent->getFile()->getPathname()), $link['hash']);
        $this->assertSame($sent->getFile()->getSize(), $link['length']);
        $this->assertNull($this->entryOrNull($sent->getFile()->getPathname(), 'META-INF/license.lcpl'));
        // Three of everybody's files would be as good as one.
        $this->assertSame(1, ProtectedFile::query()->count());
        $this->get('/lcp/saltmere/licences/00000000-0000-4000-8000-000000000000')
            ->assertNotFound()
            ->assertHeader('Content-Type', 'application/problem+json');
    }

    public function test_without_a_passphrase_one_is_asked_for_first(): void
    {
        $loan = $this->borrowFile($this->bookFile());
        Passphrase::query()->delete();
        foreach (['protected', 'lcpl'] as $kind) {
            $this->get("/loans/{$loan->id}/download/{$kind}")
                ->assertRedirect('/settings#protected')
                ->assertSessionHas('refusal', 'Set a passphrase first: the file opens with it.');
        }
        $this->get('/settings')->assertSee('Set the passphrase')->assertDontSee('Its hint');
        $this->assertSame(0, ProtectedLoan::query()->count());
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function badPassphrases(): iterable
    {
        yield 'short' => ['herons', 'birds', 'passphrase'];
        yield 'long' => [str_repeat('herons ', 20), 'birds', 'passphrase'];
        yield 'a space that one does not see' => ['seven quiet herons ', 'birds', 'passphrase'];
        yield 'none' => ['', 'birds', 'passphrase'];
        yield 'no hint' => [self::WORDS, '', 'hint'];
        yield 'a hint that tells it' => [self::WORDS, 'it is Seven Quiet Herons', 'hint'];
        yield 'a hint too long' => [self::WORDS, str_repeat('x', 201), 'hint'];
    }

    #[DataProvider('badPassphrases')]
    public function test_a_passphrase_that_does_not_serve_is_refused(string $words, string $hint, string $field): void
    {
        $this->from('/settings')
            ->post('/settings/passphrase', ['passphrase' => $words, 'hint' => $hint])
            ->assertRedirect('/settings')
            ->assertSessionHasErrors($field)
            ->assertSessionMissing('_old_input.passphrase');
        $this->assertSame(0, Passphrase::query()->count());
    }

    public function test_files_open_with_the_passphrase_that_they_were_made_with(): void
    {
        $first = $this->borrowFile($this->bookFile());
        $before = $this->download($first, 'protected');
        $this->post('/settings/passphrase', [
            'passphrase' => 'another one of these',
            'hint' => 'other',
        ])->assertSessionHas(
            'said',
            'Your passphrase is another now. Files of loans that you have had so far open with the one before.',
        );
        $this->assertStringNotContainsString(
            hash('sha256', 'another one of these'),
            (string) DB::table('passphrases')->value('user_key'),
        );
        $second = $this->borrowFile('/usr/share/doc/debian-policy/policy.epub', keepsPassphrase: true);
        $this->assertTrue($this->open($before, 'epub', self::WORDS)['opens']);
        $again = $this->open($this->download($first, 'protected'), 'epub', self::WORDS);
        $this->assertSame([true, 'birds'], [$again['opens'], $again['hint']]);
        $new = $this->download($second, 'protected');
        $this->assertFalse($this->open($new, 'epub', self::WORDS)['opens']);
        $this->assertTrue($this->open($new, 'epub', 'another one of these')['opens']);
        $this->get('/loans')->assertSee('“birds”')->assertSee('“other”');
    }

    public function test_the_status_follows_the_loan_from_wherever_it_is_changed(): void
    {
        $loan = $this->borrowFile($this->bookFile());
        $licence = $this->licenceOf($loan);
        $this->assertSame($this->iso($loan->due_at), $licence['rights']['end']);
        $this->assertSame(
            ['print' => 10, 'copy' => 10 * 1024],
            array_diff_key($licence['rights'], ['start' => 0, 'end' => 0]),
        );
        $status = $this->standing($licence)
            ->assertJsonPath('status', 'ready')
            ->assertJsonMissingPath('potential_rights');
        $this->assertSame($licence['updated'], $status->json('updated.license'));

        $this->act($licence, 'register', 'POST', ['id' => 'd1', 'name' => 'Imara’s phone'])
            ->assertOk()
            ->assertJsonPath('status', 'active')
            ->assertJsonPath('events.0.name', 'Imara’s phone');
        $this->act($licence, 'register', 'POST', ['id' => 'd1', 'name' => 'Imara’s phone'])->assertOk();
        $this->get('/loans')->assertSee('Opened on 1 device.');

        // Too early, in words; then renewed on the device, and on the website.
        $this->act($licence, 'renew', 'PUT')
            ->assertStatus(400)
            ->assertHeader('Content-Type', 'application/problem+json')
            ->assertJsonPath('type', 'http://readium.org/license-status-document/error/renew');
        $this->travelTo($loan->due_at->subHours(2));
        $longest = $this->standing($licence)->json('potential_rights.end');
        $this->act($licence, 'renew', 'PUT', ['end' => '2099-01-01T00:00:00Z'])
            ->assertForbidden()
            ->assertJsonPath('type', 'http://readium.org/license-status-document/error/renew/date');
        $this->act($licence, 'renew', 'PUT', ['end' => 'soon'])->assertForbidden();
        $this->assertSame(0, $loan->refresh()->renewals);
        $this->act($licence, 'renew', 'PUT', ['id' => 'd1', 'name' => 'Imara’s phone', 'end' => $longest])
            ->assertOk()
            ->assertJsonPath('events.1.type', 'renew')
            ->assertJsonPath('events.1.id', 'd1');
        $this->assertSame($longest, $this->iso($loan->refresh()->due_at));
        $renewed = $this->get($licence['links'][2]['href'])->assertOk()->json();
        $this->assertSame([$licence['id'], $longest], [$renewed['id'], $renewed['rights']['end']]);
        $this->assertGreaterThan($licence['updated'], $renewed['updated']);
        $this->travelTo($loan->due_at->subHours(2));
        $this->post("/loans/{$loan->id}/renew");
        $this->assertSame(2, $loan->refresh()->renewals);
        $this->standing($licence)
            ->assertJsonPath('events.2.type', 'renew')
            ->assertJsonPath('updated.license', $this->iso(CarbonImmutable::now()));

        // Given back on the website, and that taken back.
        $this->post("/loans/{$loan->id}/return");
        $over = $this->standing($licence)->assertJsonPath('status', 'returned');
        $this->assertSame(['license'], array_column($over->json('links'), 'rel'));
        $this->assertSame(
            $this->iso(CarbonImmutable::now()),
            $this->get($licence['links'][2]['href'])->json('rights.end'),
        );
        $this->get($licence['links'][1]['href'])->assertStatus(410);
        $this->act($licence, 'register', 'POST', ['id' => 'd2', 'name' => 'x'])->assertStatus(400);
        $this->act($licence, 'renew', 'PUT')->assertStatus(400);
        $this->act($licence, 'return', 'PUT')
            ->assertForbidden()
            ->assertJsonPath('type', 'http://readium.org/license-status-document/error/return/already');
        $this->post("/loans/{$loan->id}/undo-return");
        $this->standing($licence)->assertJsonPath('status', 'active');
        $this->assertSame(
            $this->iso($loan->refresh()->due_at),
            $this->get($licence['links'][2]['href'])->json('rights.end'),
        );
    }

    public function test_a_loan_is_given_back_on_a_device_and_its_copy_goes_on(): void
    {
        $loan = $this->borrowFile($this->bookFile());
        $hold = $this->hold($this->card(), $loan->title);
        $licence = $this->licenceOf($loan);
        $this->act($licence, 'return', 'PUT', ['id' => 'd1', 'name' => 'Phone'])
            ->assertOk()
            // No device had opened it.
            ->assertJsonPath('status', 'cancelled')
            ->assertJsonPath('events.0.type', 'return')
            ->assertJsonPath('events.0.name', 'Phone');
        $this->assertNotNull($loan->refresh()->ended_at);
        $this->assertNotNull($hold->refresh()->kept_until);
        $this->assertEveryCountIsTrue();
    }

    public function test_a_loan_that_ran_out_is_expired(): void
    {
        $loan = $this->borrowFile($this->bookFile());
        $licence = $this->licenceOf($loan);
        $this->travelTo($loan->due_at->addMinute());
        $this->standing($licence)->assertJsonPath('status', 'expired');
        $this->act($licence, 'return', 'PUT')
            ->assertForbidden()
            ->assertJsonPath('type', 'http://readium.org/license-status-document/error/return/expired');
        $this->act($licence, 'renew', 'PUT')->assertStatus(400);
        $this->get("/loans/{$loan->id}/download/lcpl")->assertStatus(410);
    }

    public function test_an_application_opens_what_is_on_loan_and_not_what_ran_out(): void
    {
        $loan = $this->borrowFile($this->bookFile());
        $licence = $this->licenceOf($loan);
        $asked = function () use ($licence): array {
            file_put_contents($of = tempnam(sys_get_temp_dir(), 'lcpl'), json_encode($licence));
            file_put_contents($status = "{$of}.status", $this->standing($licence)->getContent());
            $asker = new Process(['node', __DIR__ . '/ask-status.cjs', $of, $status], timeout: 60);

            return json_decode($asker->mustRun()->getOutput(), true, flags: JSON_THROW_ON_ERROR);
        };
        $this->assertSame(['status' => 'ready', 'asked' => ['GET /status', 'POST /register']], $asked());
        $this->travelTo($loan->due_at->addMinute());
        $this->assertSame(['status' => 'expired', 'asked' => ['GET /status']], $asked());
    }

    public function test_of_two_that_protect_a_book_at_once_the_first_is_kept(): void
    {
        $title = $this->borrowFile($this->bookFile())->title->load('publication');
        $protect = app(ProtectPublication::class);
        $first = null;
        // The other begins and ends while this one is at work.
        $second = $protect($title, function () use ($protect, $title, &$first): void {
            $first ??= $protect($title, fn() => null);
        });
        $this->assertSame($first?->path, $second->path);
        $this->assertTrue($second->isThere());
        $folder = storage_path("publications/{$second->sha256}");
        $this->assertCount(1, glob("{$folder}/protected-*") ?: []);
        $this->assertSame($second->protected_sha256, hash_file('sha256', $second->place()));
    }

    public function test_as_many_devices_as_may_open_it_and_no_more(): void
    {
        $licence = $this->licenceOf($this->borrowFile($this->bookFile()));
        for ($n = 1; $n <= RegisterDevice::MOST; $n++) {
            $this->act($licence, 'register', 'POST', ['id' => "d{$n}", 'name' => "Device {$n}"])->assertOk();
        }
        $this->act($licence, 'register', 'POST', ['id' => 'one more', 'name' => 'x'])
            ->assertStatus(400)
            ->assertJsonPath('type', 'http://readium.org/license-status-document/error/registration');
        $this->act($licence, 'register', 'POST', ['id' => 'd3', 'name' => 'Device 3'])->assertOk();
        foreach (
            [[], ['id' => 'x'], ['id' => ['a'], 'name' => 'b'], ['id' => 'x', 'name' => str_repeat('y', 256)]]
            as $bad
        ) {
            $this->act($licence, 'register', 'POST', $bad)->assertStatus(400);
        }
    }

    public function test_half_an_hour_after_the_loan_nothing_tells_whose_it_was(): void
    {
        $loan = $this->borrowFile($this->bookFile());
        $this->card->person->update(['keeps_history' => true]);
        $licence = $this->licenceOf($loan);
        $this->act($licence, 'register', 'POST', ['id' => 'd1', 'name' => 'Imara’s phone']);
        $this->post("/loans/{$loan->id}/return");
        $this->travel(31)->minutes();
        Artisan::call('privacy:keep-terms');
        $this->assertNull(ProtectedLoan::query()->sole()->user_key);
        $this->standing($licence)->assertJsonPath('status', 'returned')->assertJsonMissingPath('events.0.name');
        $this->get($licence['links'][2]['href'])->assertStatus(410);
        $this->travelTo($loan->due_at->addDays(31));
        Artisan::call('privacy:keep-terms');
        $this->assertSame(0, ProtectedLoan::query()->count());
        $this->get($licence['links'][3]['href'])->assertNotFound();
    }

    public function test_a_title_that_has_another_file_since_has_a_licence_for_each(): void
    {
        $loan = $this->borrowFile($this->bookFile());
        $before = $this->download($loan, 'protected');
        $publication = $this->publication($loan->title);
        $other = $this->borrowFile('/usr/share/doc/debian-policy/policy.epub');
        $theirs = $this->publication($other->title);
        $theirs->delete();
        $publication->update(['sha256' => $theirs->sha256, 'sizes' => $theirs->sizes, 'types' => $theirs->types]);
        DB::table('prepared_files')->delete();
        $after = $this->download($loan, 'protected');
        foreach ([$before, $after] as $file) {
            $this->assertNotSame([], $this->opened($file, 'epub')['files']);
        }
        $this->assertSame(2, ProtectedLoan::query()->where('loan_id', $loan->id)->count());
    }

    public function test_a_protected_file_that_is_gone_is_made_anew_with_the_same_key(): void
    {
        $loan = $this->borrowFile($this->bookFile());
        $before = $this->download($loan, 'protected');
        $licence = $this->licenceOf($loan);
        unlink(ProtectedFile::query()->sole()->place());
        // Where nginx gives the files, too.
        config(['figporch.file_delivery' => 'accel']);
        $this->get($licence['links'][1]['href'])->assertNotFound();
        config(['figporch.file_delivery' => 'php']);
        DB::table('prepared_files')->delete();
        $after = $this->download($loan, 'protected');
        $this->assertNotSame(hash_file('sha256', $before), hash_file('sha256', $after));
        // The licence from before opens the file that was made since.
        copy($after, $mixed = "{$after}.mixed");
        $zip = new ZipArchive();
        $zip->open($mixed);
        $zip->addFromString('META-INF/license.lcpl', $this->entry($before, 'META-INF/license.lcpl'));
        $zip->close();
        $this->assertNotSame([], $this->opened($mixed, 'epub')['files']);
        $this->assertSame([], glob(storage_path('prepared/protect.*')));
    }

    public function test_video_is_not_to_be_had_so_and_what_is_open_says_what_that_means(): void
    {
        $loan = $this->borrowFile($this->bookFile());
        $loan->title->update(['format' => 'video']);
        $this->get('/loans')->assertDontSee('Download:');
        $this->get("/loans/{$loan->id}/download/protected")->assertForbidden();
        $loan->title->update(['format' => 'ebook']);
        DB::table('licences')->update(['download' => 'open']);
        $this->get('/loans')->assertSee('Nothing ends these files but your promise to delete them with the loan.');
        $this->get("/loans/{$loan->id}/download/protected")->assertNotFound();
        DB::table('licences')->update(['download' => 'none']);
        $this->get('/loans')->assertDontSee('Download:');
        $this->get("/loans/{$loan->id}/download/protected")->assertForbidden();
    }

    private function borrowFile(string $file, bool $keepsPassphrase = false): Loan
    {
        $title = app(ImportPublication::class)(
            $file,
            $this->library(),
            new LicenceTerms(LicenceModel::OneCopyOneUser, copies: 1),
            $this->now(),
        )['title'];
        DB::table('licences')->update(['download' => 'protected']);
        if (!$keepsPassphrase) {
            $this->post('/settings/passphrase', [
                'passphrase' => self::WORDS,
                'hint' => 'birds',
            ])->assertSessionHasNoErrors();
        }

        return $this->borrow($this->card, $title);
    }

    private function download(Loan $loan, string $kind): string
    {
        $answer = $this->get("/loans/{$loan->id}/download/{$kind}");
        if ($answer->isRedirection()) {
            $page = (string) $answer->headers->get('Location');
            $this->assertStringContainsString('/prepared/', $page);
            $this->workThroughQueue('files');
            $answer = $this->get("{$page}/file");
        }
        $sent = $answer->assertOk()->baseResponse;
        $this->assertInstanceOf(BinaryFileResponse::class, $sent);
        copy($sent->getFile()->getPathname(), $copy = tempnam(sys_get_temp_dir(), 'protected'));

        return $copy;
    }

    /**
     * @return array{opens: bool, isSigned: bool, hint: string, files: array<string, array{
     *     isEncrypted: bool, sha256: string}>}
     */
    private function open(string $file, string $ending, string ...$passphrases): array
    {
        copy($file, $named = "{$file}.{$ending}");
        file_put_contents($root = "{$file}.pem", app(Provider::class)->certificates()['root']);
        $opener = new Process(['node', __DIR__ . '/open-protected.cjs', $named, $root, ...$passphrases], timeout: 120);

        return json_decode($opener->mustRun()->getOutput(), true, flags: JSON_THROW_ON_ERROR);
    }

    /** @return array{files: array<string, array{isEncrypted: bool, sha256: string}>} */
    private function opened(string $file, string $ending): array
    {
        $found = $this->open($file, $ending, self::WORDS);
        $this->assertTrue($found['opens']);
        $this->assertTrue($found['isSigned']);

        return $found;
    }

    /** @return array{files: array<string, array{isEncrypted: bool, sha256: string}>} */
    private function opensWhole(Loan $loan, string $ending): array
    {
        $found = $this->opened($this->download($loan, 'protected'), $ending);
        $publication = $this->publication($loan->title);
        $folder = storage_path("publications/{$publication->sha256}/whole");
        $this->assertNotSame([], $found['files']);
        foreach ($found['files'] as $path => $of) {
            // The libraries undo what hides a font; what was hidden is not what comes out.
            if (!str_ends_with($path, '.woff')) {
                $this->assertSame(hash_file('sha256', "{$folder}/{$path}"), $of['sha256'], $path);
            }
        }
        $texts = array_filter($found['files'], fn(array $of): bool => $of['isEncrypted']);
        $this->assertGreaterThanOrEqual(count($publication->positions) - 1, count($texts));

        return $found;
    }

    private function publication(Title $title): Publication
    {
        return Publication::query()->where('title_id', $title->id)->sole();
    }

    /** @return array{id: string, updated: string, links: list<array<string, string>>, rights: array<string, mixed>} */
    private function licenceOf(Loan $loan): array
    {
        $answer = $this->get("/loans/{$loan->id}/download/lcpl")->assertOk();

        return json_decode(
            $answer->baseResponse instanceof BinaryFileResponse
                ? $answer->baseResponse->getFile()->getContent()
                : (string) $answer->getContent(),
            true,
            flags: JSON_THROW_ON_ERROR,
        );
    }

    /**
     * @param  array{links: list<array<string, string>>}  $licence
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function standing(array $licence): TestResponse
    {
        return $this->get($licence['links'][3]['href'])->assertOk()->assertHeader('Content-Type', self::STATUS);
    }

    /**
     * @param  array{links: list<array<string, string>>}  $licence
     * @param  array<string, mixed>  $said
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function act(array $licence, string $what, string $method, array $said = []): TestResponse
    {
        return $this->call($method, $licence['links'][2]['href'] . "/{$what}?" . http_build_query($said));
    }

    private function iso(\DateTimeInterface $at): string
    {
        return CarbonImmutable::instance($at)->utc()->format('Y-m-d\TH:i:s\Z');
    }

    private function entry(string $zip, string $name): string
    {
        return $this->entryOrNull($zip, $name) ?? $this->fail("{$name} is not there.");
    }

    private function entryOrNull(string $file, string $name): ?string
    {
        $zip = new ZipArchive();
        $this->assertTrue($zip->open($file, ZipArchive::RDONLY));
        $text = $zip->getFromName($name);

        return $text === false ? null : $text;
    }

    private function recording(): Loan
    {
        $loan = $this->borrowFile('/usr/share/doc/debian-history/docs/project-history.it.epub');
        $publication = $this->publication($loan->title);
        $folder = storage_path("publications/{$publication->sha256}");
        $files = [
            'publication.json' => '{}',
            'b.mp3' => str_repeat('second', 40_000),
            'a.mp3' => '',
            'notes/ü.vtt' => 'WEBVTT',
        ];
        is_dir("{$folder}/whole/notes") || mkdir("{$folder}/whole/notes");
        foreach ($files as $name => $bytes) {
            file_put_contents("{$folder}/whole/{$name}", $bytes);
        }
        file_put_contents("{$folder}/cover.jpg", 'a picture');
        $part = fn(string $path): array => [
            'path' => $path,
            'type' => 'audio/mpeg',
            'name' => $path,
            'seconds' => 1.5,
            'captions' => [],
        ];
        $publication->update([
            'media_type' => 'application/lpf+zip',
            'sizes' => array_map(strlen(...), $files),
            'types' => ['notes/ü.vtt' => 'text/vtt'],
            'parts' => [$part('b.mp3'), $part('a.mp3')],
        ]);
        $loan->title->update(['format' => 'audiobook']);

        return $loan->refresh();
    }

    /** An EPUB whose names have all that names may have, with an obfuscated font (EPUB 3.3, 4.4). */
    private function oddBook(): string
    {
        $zip = new ZipArchive();
        $zip->open($file = tempnam(sys_get_temp_dir(), 'odd') . '.epub', ZipArchive::CREATE);
        $page = fn(
            string $text,
        ): string => "<html xmlns=\"http://www.w3.org/1999/xhtml\"><head><title>x</title></head><body><p>{$text}</p></body></html>";
        $entries = [
            'mimetype' => 'application/epub+zip',
            'META-INF/container.xml' =>
                '<container xmlns="urn:oasis:names:tc:opendocument:xmlns:container" version="1.0"><rootfiles><rootfile full-path="o/p.opf" media-type="application/oebps-package+xml"/></rootfiles></container>',
            'META-INF/encryption.xml' =>
                '<encryption xmlns="urn:oasis:names:tc:opendocument:xmlns:container"><EncryptedData xmlns="http://www.w3.org/2001/04/xmlenc#"><EncryptionMethod Algorithm="http://www.idpf.org/2008/embedding"/><CipherData><CipherReference URI="o/hidden.woff"/></CipherData></EncryptedData></encryption>',
            'o/p.opf' =>
                '<package xmlns="http://www.idpf.org/2007/opf" version="3.0" unique-identifier="i"><metadata xmlns:dc="http://purl.org/dc/elements/1.1/"><dc:identifier id="i">urn:x</dc:identifier><dc:title>Odd names</dc:title><dc:language>en</dc:language><meta name="cover" content="c"/></metadata><manifest><item id="n" href="nav.xhtml" media-type="application/xhtml+xml" properties="nav"/><item id="t" href="toc.ncx" media-type="application/x-dtbncx+xml"/><item id="c" href="%C3%9Cnde%20cover.svg" media-type="image/svg+xml"/><item id="a" href="a%252Bb%20&amp;%20%C3%A7%20(2).xhtml" media-type="application/xhtml+xml"/><item id="e" href="e.xhtml" media-type="application/xhtml+xml"/><item id="f" href="hidden.woff" media-type="font/woff"/><item id="s" href="s.css" media-type="text/css"/></manifest><spine toc="t"><itemref idref="a"/><itemref idref="e"/></spine></package>',
            'o/nav.xhtml' =>
                '<html xmlns="http://www.w3.org/1999/xhtml" xmlns:epub="http://www.idpf.org/2007/ops"><head><title>x</title></head><body><nav epub:type="toc"><ol><li><a href="e.xhtml">E</a></li></ol></nav></body></html>',
            'o/toc.ncx' =>
                '<ncx xmlns="http://www.daisy.org/z3986/2005/ncx/" version="2005-1"><navMap><navPoint id="x"><navLabel><text>E</text></navLabel><content src="e.xhtml"/></navPoint></navMap></ncx>',
            'o/Ünde cover.svg' => '<svg xmlns="http://www.w3.org/2000/svg"/>',
            'o/a%2Bb & ç (2).xhtml' => $page(str_repeat('The tide table. ', 4000)),
            'o/e.xhtml' => $page('End.'),
            'o/hidden.woff' => random_bytes(3000),
            'o/s.css' => '',
        ];
        foreach ($entries as $name => $bytes) {
            $zip->addFromString($name, $bytes);
        }
        $zip->close();

        return $file;
    }
}

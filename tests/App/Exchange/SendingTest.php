<?php

declare(strict_types=1);

namespace Tests\App\Exchange;

use App\Exchange\Outbound\NameServer;
use App\Exchange\Sending\KeepEReader;
use App\Exchange\Sending\SendOut;
use App\Lending\Loans\ReturnLoan;
use App\Models\Card;
use App\Models\EReader;
use App\Models\Folder;
use App\Models\Loan;
use App\Models\Sending;
use Carbon\CarbonImmutable;
use Illuminate\Filesystem\Filesystem;
use Illuminate\Mail\Events\MessageSent;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Mail;
use PHPUnit\Framework\Attributes\DataProvider;
use RuntimeException;
use Symfony\Component\Process\Process;
use Tests\App\ImportsBooks;
use Tests\App\TestCase;
use ZipArchive;

/** Books, pages and citations sent to places of one's own; the folder is Debian's nginx with its dav module. */
final class SendingTest extends TestCase
{
    use ImportsBooks;

    private const READER = 'imaras-reader@lantern.example';

    private Card $card;

    private Loan $loan;

    /**
     * What has gone out by mail, as it was when it went: files by name, with their types.
     *
     * @var list<array{to: string, subject: string, text: string, files: array<string, array{string, string}>}>
     */
    private array $mails = [];

    private ?Process $nginx = null;

    private string $place = '';

    protected function setUp(): void
    {
        parent::setUp();
        $this->card = $this->card();
        $this->card->person->update(['email' => 'imara@lantern.example']);
        $this->loan = $this->borrow($this->card, $this->importBook());
        DB::table('licences')->update(['download' => 'open', 'chapters_as_pdf' => true]);
        $this->be($this->card->person);
        Event::listen(MessageSent::class, function (MessageSent $sent): void {
            $mail = $sent->message;
            $files = [];
            foreach ($mail->getAttachments() as $of) {
                $files[(string) $of->getFilename()] = [$of->getContentType(), $of->getBody()];
            }
            $this->mails[] = [
                'to' => $mail->getTo()[0]->getAddress(),
                'subject' => (string) $mail->getSubject(),
                'text' => (string) $mail->getTextBody(),
                'files' => $files,
            ];
        });
    }

    protected function tearDown(): void
    {
        $this->nginx?->stop(5);
        parent::tearDown();
    }

    private static function code(string $text): string
    {
        return preg_match('/^(\d{6})$/m', $text, $code) === 1 ? $code[1] : self::fail('There is no code.');
    }

    private function confirmEReader(): void
    {
        EReader::query()->create([
            'person_id' => $this->card->person_id,
            'address' => self::READER,
            'asked_at' => $this->now(),
            'confirmed_at' => $this->now(),
        ]);
    }

    /** A folder in nginx, as the stand-in has it. */
    private function serveFolder(string $address = ''): string
    {
        $this->place = storage_path('framework/testing/folder-' . getmypid());
        is_dir("{$this->place}/log") || mkdir("{$this->place}/log", 0o755, true);
        is_dir("{$this->place}/folder") || mkdir("{$this->place}/folder", 0o755);
        app(Filesystem::class)->cleanDirectory("{$this->place}/folder");
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: $this->fail('There is no port.');
        $port = (string) substr(strrchr((string) stream_socket_get_name($socket, false), ':') ?: '', 1);
        fclose($socket);
        file_put_contents(
            "{$this->place}/nginx.conf",
            strtr((string) file_get_contents(base_path('standins/folder/nginx.conf.tpl')), [
                '{{VAR}}' => $this->place,
                '{{ROOT}}' => base_path(),
                '{{FOLDER_PORT}}' => $port,
            ]) . (posix_geteuid() === 0 ? "\nuser root;\n" : ''),
        );
        $this->nginx = new Process(['nginx', '-e', 'stderr', '-c', "{$this->place}/nginx.conf", '-p', $this->place]);
        $this->nginx->start();
        config(['figporch.folder_stand_in' => "http://127.0.0.1:{$port}/"]);
        for ($n = 0; $n < 100 && @fsockopen('127.0.0.1', (int) $port) === false; $n++) {
            usleep(50_000);
        }

        return "http://127.0.0.1:{$port}/{$address}";
    }

    private function keepFolder(): void
    {
        $this->post('/settings/folder', [
            'folder' => $this->serveFolder(),
            'folder_name' => 'porch',
            'folder_secret' => 'seven herons',
        ])->assertSessionHas('said');
    }

    /** @return list<string> */
    private function kept(): array
    {
        return array_map(basename(...), array_map(strval(...), glob("{$this->place}/folder/*") ?: []));
    }

    private function work(): void
    {
        $this->workThroughQueue('sendings');
    }

    /** @return array{string, string|null} */
    private function outcome(): array
    {
        $sending = Sending::query()->latest('id')->firstOrFail();

        return [$sending->state, $sending->why?->value];
    }

    public function test_an_e_reader_is_ones_own_once_the_code_that_came_there_is_known(): void
    {
        $this->post('/settings/e-reader', ['e_reader' => 'nowhere'])->assertSessionHasErrors('e_reader');
        $this->post('/settings/e-reader', ['e_reader' => self::READER])->assertRedirect('/settings#sending');
        // Nobody who reads the queue reads the code.
        $queued = DB::table('jobs')->pluck('payload')->implode("\n");
        $this->workThroughQueue();
        $mail = $this->mails[0];
        $this->assertSame(self::READER, $mail['to']);
        $code = self::code($mail['text']);
        $this->assertStringNotContainsString($code, $queued);
        $this->get('/settings')
            ->assertOk()
            ->assertSee('A code was sent to ' . self::READER);

        $this->post("/loans/{$this->loan->id}/send", ['way' => 'e_reader'])->assertRedirect('/settings#sending');
        $this->post('/settings/e-reader/confirm', ['code' => '12'])->assertSessionHas('refusal');
        $this->post('/settings/e-reader/confirm', ['code' => " {$code} "])->assertSessionHas('said');
        $this->get('/settings')->assertSee('Books go to ' . self::READER);
        $this->post("/loans/{$this->loan->id}/send", ['way' => 'e_reader'])->assertRedirect('/sendings');

        $this->post('/settings/e-reader/remove')->assertRedirect('/settings#sending');
        // It was on its way when the address went.
        $this->work();
        $this->assertSame(['failed', 'no_place'], $this->outcome());
    }

    public function test_a_code_cannot_be_guessed_nor_anybodys_mail_filled(): void
    {
        $this->withoutMiddleware('throttle:sendings');
        $this->post('/settings/e-reader', ['e_reader' => self::READER]);
        $this->workThroughQueue();
        $code = self::code($this->mails[0]['text']);
        $wrong = $code === '000000' ? '000001' : '000000';
        for ($n = 0; $n < 5; $n++) {
            $this->post('/settings/e-reader/confirm', ['code' => $wrong])->assertSessionHas('refusal');
        }
        $this->post('/settings/e-reader/confirm', ['code' => $code])->assertSessionHas('refusal');
        $this->travel(2)->minutes();
        for ($n = 0; $n < 6; $n++) {
            $this->post('/settings/e-reader', ['e_reader' => "reader{$n}@lantern.example"]);
        }
        $this->assertSame('reader3@lantern.example', EReader::query()->value('address'));
        $this->travel(25)->hours();
        $this->workThroughQueue();
        $late = self::code($this->mails[count($this->mails) - 1]['text']);
        $this->be($this->card->person->refresh());
        $this->assertFalse(app(KeepEReader::class)->confirm($this->card->person, $late, CarbonImmutable::now()));
    }

    public function test_a_book_goes_to_the_e_reader_as_the_file_that_it_is(): void
    {
        $this->confirmEReader();
        $this->get('/loans')->assertSee('Send to my e-reader');
        foreach ([1, 2] as $clicked) {
            $this->post("/loans/{$this->loan->id}/send", ['way' => 'e_reader'])->assertRedirect('/sendings');
        }
        $this->get('/sendings')->assertSee('on its way')->assertSee(self::READER);
        $this->work();
        $this->assertSame(['sent', null], $this->outcome());
        $this->assertCount(1, $this->mails);
        $this->assertSame(['the-salt-ledger.epub'], array_keys($this->mails[0]['files']));
        [$type, $bytes] = $this->mails[0]['files']['the-salt-ledger.epub'];
        $this->assertSame('application/epub+zip', $type);
        $path = (string) tempnam(sys_get_temp_dir(), 'epub');
        file_put_contents($path, $bytes);
        $zip = new ZipArchive();
        $this->assertTrue($zip->open($path));
        $this->assertSame('application/epub+zip', $zip->getFromName('mimetype'));
        unlink($path);
        $this->get('/sendings')->assertSee('sent')->assertDontSee('on its way');
        // Once it has gone, it may go again.
        $this->post("/loans/{$this->loan->id}/send", ['way' => 'e_reader']);
        $this->work();
        $this->assertCount(2, $this->mails);
        $this->assertSame([], glob(sys_get_temp_dir() . '/sending-*'));
    }

    /** @return iterable<string, array{callable(self): mixed, string, string}> */
    public static function refusals(): iterable
    {
        yield 'its publisher does not allow it' => [
            fn(self $of) => DB::table('licences')->update(['download' => 'none']),
            '/loans/%d/send',
            'e_reader',
        ];
        yield 'larger than mail takes' => [
            fn(self $of) => DB::table('publications')->update(['sizes' => json_encode(['a' => 200_000_000])]),
            '/loans/%d/send',
            'e_reader',
        ];
        yield 'no book' => [
            fn(self $of) => DB::table('publications')->update(['media_type' => 'application/audiobook+json']),
            '/loans/%d/send',
            'e_reader',
        ];
        yield 'a book as a letter' => [fn(self $of) => null, '/loans/%d/send', 'mail'];
        yield 'pages that may not be saved' => [
            function (self $of): mixed {
                $of->post("/loans/{$of->loan->id}/pages", ['from' => '1', 'to' => '1']);

                return DB::table('licences')->update(['chapters_as_pdf' => false]);
            },
            '/loans/%d/pages/1-1/send',
            'mail',
        ];
    }

    #[DataProvider('refusals')]
    public function test_what_may_not_go_says_why_and_what_else_there_is(callable $make, string $to, string $way): void
    {
        $this->confirmEReader();
        $make($this);
        $this->from('/loans')
            ->post(sprintf($to, $this->loan->id), ['way' => $way])
            ->assertRedirect('/loans')
            ->assertSessionHas('refusal');
        $this->assertStringNotContainsString('sending.', (string) session('refusal'));
        $this->assertSame(0, Sending::query()->count());
    }

    /** Asked again when it goes: what was right a moment ago may not be. */
    public function test_what_is_no_longer_so_when_it_goes_is_not_sent(): void
    {
        $this->confirmEReader();
        foreach (
            [
                'not_allowed' => fn() => DB::table('licences')->update(['download' => 'none']),
                'loan_over' => fn() => app(ReturnLoan::class)($this->loan->id, CarbonImmutable::now()),
            ]
            as $why => $change
        ) {
            DB::table('licences')->update(['download' => 'open']);
            $this->post("/loans/{$this->loan->id}/send", ['way' => 'e_reader'])->assertRedirect('/sendings');
            $change();
            $this->work();
            $this->assertSame(['failed', $why], $this->outcome());
        }
        $this->assertSame([], $this->mails);
    }

    public function test_pages_that_were_counted_go_by_mail_and_no_others(): void
    {
        $this->post("/loans/{$this->loan->id}/pages/1-2/send", ['way' => 'mail'])->assertRedirect(
            "/loans/{$this->loan->id}/pages",
        );
        $this->post("/loans/{$this->loan->id}/pages/1-999999999/send", ['way' => 'mail'])->assertRedirect();
        // More than any number: no address.
        foreach (['9' . str_repeat('0', 30) . '-1', '1-9' . str_repeat('0', 30)] as $pages) {
            $this->post("/loans/{$this->loan->id}/pages/{$pages}/send", ['way' => 'mail'])->assertNotFound();
            $this->get("/loans/{$this->loan->id}/pages/{$pages}")->assertNotFound();
            $this->get("/loans/{$this->loan->id}/pages/{$pages}.pdf")->assertNotFound();
        }
        $this->get("/loans/{$this->loan->id}/pages/9" . str_repeat('0', 30) . '.png')->assertNotFound();
        $this->assertSame(0, Sending::query()->count());
        $this->post("/loans/{$this->loan->id}/pages", ['from' => '1', 'to' => '2']);
        $this->post("/loans/{$this->loan->id}/pages/2-3/send", ['way' => 'mail'])->assertRedirect(
            "/loans/{$this->loan->id}/pages",
        );
        $this->get("/loans/{$this->loan->id}/pages/1-2")->assertSee('Mail to me');
        $this->post("/loans/{$this->loan->id}/pages/1-2/send", ['way' => 'mail'])->assertRedirect('/sendings');
        $this->work();
        $this->assertSame(['sent', null], $this->outcome());
        $mail = $this->mails[0];
        $this->assertSame('imara@lantern.example', $mail['to']);
        $this->assertSame(['the-salt-ledger-pages-1-2.pdf'], array_keys($mail['files']));
        $this->assertStringStartsWith('%PDF-', $mail['files']['the-salt-ledger-pages-1-2.pdf'][1]);
    }

    public function test_a_citation_and_a_bibliography_go_by_mail(): void
    {
        $title = $this->loan->title;
        // Noon of the first in Greenwich is midnight there.
        $this->card->library->update(['timezone' => 'Pacific/Auckland']);
        $this->get("/titles/{$title->id}/cite")->assertSee('Mail to me');
        $this->post("/titles/{$title->id}/cite/send", ['way' => 'mail'])->assertRedirect('/sendings');
        $basket = DB::table('baskets')->insertGetId([
            'person_id' => $this->card->person_id,
            'name' => 'Salt and tides',
            'position' => 1,
            'created_at' => $this->now(),
        ]);
        DB::table('basket_title')->insert([
            'basket_id' => $basket,
            'title_id' => $title->id,
            'position' => 1,
            'added_at' => $this->now(),
        ]);
        $this->get("/baskets/{$basket}/bibliography?style=vancouver")->assertSee('Mail to me');
        $this->post("/baskets/{$basket}/bibliography/send?style=vancouver", ['way' => 'mail']);
        $this->travel(2)->days();
        $this->work();
        [$citation, $bibliography] = $this->mails;
        $this->assertStringContainsString($title->name, $citation['text']);
        // The day is that of the library, and of when it was asked for.
        $this->assertStringContainsString('(Accessed: 2 May 2026)', $citation['text']);
        $this->assertSame('Bibliography: Salt and tides', $bibliography['subject']);
        $this->assertStringContainsString('1. ', $bibliography['text']);
        $this->assertSame(['salt-and-tides.txt', 'salt-and-tides.ris'], array_keys($bibliography['files']));
        $this->assertStringContainsString('TY  - ', $bibliography['files']['salt-and-tides.ris'][1]);
        // Given to somebody else before it goes, it does not go.
        $this->post("/baskets/{$basket}/bibliography/send", ['way' => 'mail']);
        DB::table('baskets')->update(['person_id' => $this->card()->person_id]);
        $this->work();
        $this->assertSame(['failed', 'nothing_there'], $this->outcome());
        DB::table('baskets')->update(['person_id' => $this->card->person_id]);
        // An empty one has nothing to send, and somebody else's is not there.
        DB::table('basket_title')->delete();
        $this->post("/baskets/{$basket}/bibliography/send", ['way' => 'mail']);
        $this->work();
        $this->assertSame(['failed', 'nothing_there'], $this->outcome());
        $this->be($this->card()->person)
            ->post("/baskets/{$basket}/bibliography/send", ['way' => 'mail'])
            ->assertNotFound();
    }

    public function test_who_has_no_mail_address_is_told_so(): void
    {
        $this->card->person->update(['email' => null]);
        $this->post("/titles/{$this->loan->title_id}/cite/send", ['way' => 'mail'])
            ->assertRedirect('/settings#sending')
            ->assertSessionHas('refusal');
    }

    public function test_a_folder_takes_files_and_none_is_written_over(): void
    {
        $this->keepFolder();
        $this->assertSame(['Fig Porch.txt'], $this->kept());
        // What it is opened with is kept where nobody reads it.
        $this->assertStringNotContainsString('seven herons', (string) DB::table('folders')->value('secret'));
        $this->assertSame('seven herons', Folder::query()->firstOrFail()->secret);
        $this->get('/settings')->assertSee('Files are kept in')->assertDontSee('seven herons');

        $this->post("/loans/{$this->loan->id}/send", ['way' => 'folder'])->assertRedirect('/sendings');
        $this->work();
        $this->assertSame(['sent', null], $this->outcome());
        $this->assertSame(['Fig Porch.txt', 'the-salt-ledger.epub'], $this->kept());
        $zip = new ZipArchive();
        $this->assertTrue($zip->open("{$this->place}/folder/the-salt-ledger.epub"));
        // The same again is there already; another of the same name is put beside it.
        $this->post("/loans/{$this->loan->id}/send", ['way' => 'folder']);
        $this->work();
        $this->assertSame(['Fig Porch.txt', 'the-salt-ledger.epub'], $this->kept());
        file_put_contents("{$this->place}/folder/the-salt-ledger.epub", 'My own words about it.');
        $this->post("/loans/{$this->loan->id}/send", ['way' => 'folder']);
        $this->work();
        $this->assertSame(['Fig Porch.txt', 'the-salt-ledger (2).epub', 'the-salt-ledger.epub'], $this->kept());
        $this->assertSame('My own words about it.', file_get_contents("{$this->place}/folder/the-salt-ledger.epub"));
        // Somewhere else, or nowhere any more.
        $this->post('/settings/folder/remove');
        $this->post("/loans/{$this->loan->id}/send", ['way' => 'folder'])->assertRedirect('/settings#sending');
    }

    public function test_a_folder_that_says_no_is_not_kept(): void
    {
        $address = $this->serveFolder();
        $try = function (string $address, string $secret = 'seven herons'): string {
            $this->post('/settings/folder', [
                'folder' => $address,
                'folder_name' => 'porch',
                'folder_secret' => $secret,
            ])->assertRedirect('/settings#sending');
            $this->assertNull(session('_old_input.folder_secret'));

            return (string) session('refusal');
        };
        $this->assertStringContainsString('does not let us in', $try($address, 'wrong'));
        $this->assertStringContainsString('no such folder', $try("{$address}not/there"));
        $this->assertStringContainsString('begin with https', $try('http://files.lantern.example/'));
        $this->assertStringContainsString('begin with https', $try('https://127.0.0.1/'));
        $this->assertStringContainsString('begin with https', $try('https://[::1]/'));
        $this->assertStringContainsString('begin with https', $try('https://169.254.169.254/latest/'));
        $this->nginx?->stop(5);
        $this->assertStringContainsString('did not answer', $try($address));
        $this->assertSame(0, Folder::query()->count());
    }

    /** A name that is a public address when it is kept, and one of this network when something is sent. */
    public function test_a_folder_that_moves_into_this_network_is_not_written_to(): void
    {
        $asked = [];
        $this->instance(
            NameServer::class,
            new class extends NameServer {
                public static string $ip = '93.184.216.34';

                public function addressOf(string $host): string
                {
                    return self::$ip;
                }
            },
        );
        Http::fake(function ($request) use (&$asked) {
            $asked[] = $request->method();

            return Http::response(
                '',
                match (true) {
                    $request->method() === 'PUT' => 201,
                    str_ends_with($request->url(), '/') => 200,
                    default => 404,
                },
            );
        });
        $this->post('/settings/folder', [
            'folder' => 'https://files.lantern.example/imara',
            'folder_name' => 'imara',
            'folder_secret' => 'x',
        ])->assertSessionHas('said');
        $this->assertSame(['HEAD', 'HEAD', 'PUT'], $asked);
        $class = app(NameServer::class)::class;
        $class::$ip = '10.0.0.7';
        $this->post("/loans/{$this->loan->id}/send", ['way' => 'folder']);
        $this->work();
        $this->assertSame(['failed', 'closed'], $this->outcome());
        $this->assertCount(3, $asked);
    }

    public function test_who_is_away_is_tried_again_and_then_said_to_be(): void
    {
        $this->confirmEReader();
        $this->post("/loans/{$this->loan->id}/send", ['way' => 'e_reader']);
        Mail::shouldReceive('to->locale->send')->times(6)->andThrow(new RuntimeException('The mail server is down.'));
        for ($n = 1; $n <= 6; $n++) {
            $this->work();
            $this->assertSame($n < 6 ? ['waiting', null] : ['failed', 'away'], $this->outcome());
            $this->travel(41)->minutes();
        }
        $this->be($this->card->person)->get('/sendings')->assertSee('It did not answer.');
    }

    public function test_what_nobody_knows_to_have_arrived_is_not_sent_twice(): void
    {
        $this->confirmEReader();
        $this->post("/loans/{$this->loan->id}/send", ['way' => 'e_reader']);
        // The process that sent it died before it could say so.
        $sending = Sending::query()->sole();
        $sending->update(['state' => 'going']);
        $this->work();
        $this->assertSame(['failed', 'unknown'], $this->outcome());
        $this->assertSame([], $this->mails);
        SendOut::dispatchSync($sending->id);
        $this->assertSame(['failed', 'unknown'], $this->outcome());
    }

    public function test_it_is_forgotten_with_the_loan_and_after_two_days(): void
    {
        $this->confirmEReader();
        $this->post("/loans/{$this->loan->id}/send", ['way' => 'e_reader']);
        $this->post("/titles/{$this->loan->title_id}/cite/send", ['way' => 'mail']);
        $this->work();
        app(ReturnLoan::class)($this->loan->id, CarbonImmutable::now());
        $this->travel(31)->minutes();
        Artisan::call('lending:tick');
        $this->assertSame(['citation'], DB::table('sendings')->pluck('goods')->all());
        $this->travel(2)->days();
        Artisan::call('privacy:keep-terms');
        $this->assertSame(0, Sending::query()->count());
    }

    public function test_nobody_sends_another_ones_loan_or_sees_what_they_sent(): void
    {
        $this->confirmEReader();
        $this->post("/loans/{$this->loan->id}/send", ['way' => 'e_reader']);
        $other = $this->card();
        $this->be($other->person);
        $this->post("/loans/{$this->loan->id}/send", ['way' => 'e_reader'])->assertNotFound();
        $this->get('/sendings')->assertOk()->assertDontSee('The Salt Ledger');
    }
}

<?php

declare(strict_types=1);

namespace Tests\App;

use App\Account\Letters\WriteLetter;
use App\Desk\Library\KeepLogo;
use App\Desk\Uploads\ReceiveUpload;
use App\Exchange\Lcp\ProtectPublication;
use App\Lending\Requests\AskInWords;
use App\Models\Basket;
use App\Models\Batch;
use App\Models\Card;
use App\Models\CardImport;
use App\Models\ClassSet;
use App\Models\ClosedDays;
use App\Models\CounterKey;
use App\Models\FileImport;
use App\Models\Fund;
use App\Models\Hold;
use App\Models\Holding;
use App\Models\Letter;
use App\Models\Licence;
use App\Models\Link;
use App\Models\Loan;
use App\Models\Mark;
use App\Models\Message;
use App\Models\PreparedFile;
use App\Models\ProtectedLoan;
use App\Models\PushDevice;
use App\Models\RecordImport;
use App\Models\RecordImportRow;
use App\Models\SavedSearch;
use App\Models\SchoolClass;
use App\Models\SignInWays;
use App\Models\StaffInvitation;
use App\Models\StaffList;
use App\Models\StaffMember;
use App\Models\Title;
use App\Models\TitleRequest;
use App\Models\Upload;
use App\Reading\Prepared\PrepareFile;
use App\Reading\Publications\MeasureMedia;
use FigPorch\Core\Account\SchoolSignIn;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\WantedTitle;
use FigPorch\Core\Desk\BatchAction;
use FigPorch\Core\Desk\StaffRole;
use FigPorch\Core\Exchange\Lcp\Passphrase;
use FigPorch\Core\Exchange\Marc\MarcOfRecord;
use FigPorch\Core\Exchange\Marc\MarcXml;
use Illuminate\Routing\Route as OneRoute;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;

/** One of everything, and every route with what is rightly asked of it. */
trait AsksEveryRoute
{
    use ImportsBooks;

    /** @var array<string, mixed> */
    private static array $locator = [
        'href' => 'book/chapter-01.xhtml',
        'type' => 'application/xhtml+xml',
        'locations' => ['progression' => 0.5, 'totalProgression' => 0.5],
    ];

    private Title $title;

    private Title $wanted;

    private Title $notHere;

    private Loan $loan;

    private PreparedFile $prepared;

    private ProtectedLoan $protectedLoan;

    private Hold $hold;

    private Basket $basket;

    private SavedSearch $saved;

    private TitleRequest $asked;

    private Mark $mark;

    private PushDevice $device;

    private StaffList $list;

    private Licence $licence;

    private Card $card;

    private int $reading;

    private Fund $fund;

    private Message $message;

    private Letter $letter;

    private ClosedDays $closed;

    private SchoolClass $class;

    private ClassSet $set;

    private StaffMember $colleague;

    private StaffInvitation $invitation;

    private Upload $upload;

    private CardImport $cardImport;

    private RecordImport $records;

    private RecordImportRow $recordRow;

    private Batch $batch;

    private CounterKey $counterKey;

    private Holding $holding;

    private Link $link;

    private FileImport $file;

    private static string $invitationKey = 'anInvitationToWorkHereThatIsNotUsedYet01';

    /** @return array<string, OneRoute> by name, or by method and address */
    private function routes(): array
    {
        $routes = [];
        foreach (Route::getRoutes()->getRoutes() as $route) {
            $routes[$route->getName() ?? "{$route->methods()[0]} {$route->uri()}"] = $route;
        }
        // Whoever has signed out would be asked to sign in by what follows.
        uksort(
            $routes,
            fn(string $a, string $b): int => str_ends_with($a, 'sign-out') <=> str_ends_with($b, 'sign-out'),
        );

        return $routes;
    }

    /**
     * @param  array<string, mixed>|null  $data
     * @return TestResponse<Response>
     */
    private function ask(string $name, OneRoute $route, ?array $data = null): TestResponse
    {
        $values = $this->values($name);
        $address =
            '/' .
            preg_replace_callback('/\{(\w+)\??\}/', fn(array $m): string => (string) $values[$m[1]], $route->uri());

        return $this->call(
            $route->methods()[0],
            str_replace('//', '/', $address) . "?library={$this->at}",
            $data ?? $this->data($name),
        );
    }

    /** @return array<string, string|int> what stands in the addresses */
    private function values(string $name): array
    {
        $title = match (true) {
            in_array($name, ['requests.show', 'requests.ask'], true) => $this->notHere->id,
            in_array($name, ['desk.elsewhere', 'desk.holding.add'], true) => $this->holding->title_id,
            $name === 'desk.link.add' => $this->link->title_id,
            in_array($name, ['borrow.show', 'borrow.store', 'holds.place', 'desk.preview', 'desk.change'], true)
                => $this->wanted->id,
            default => $this->title->id,
        };

        return [
            'nothing' => 'nowhere',
            'title' => $title,
            'card' => $this->card->id,
            'loan' => $this->loan->id,
            'preparedFile' => $this->prepared->id,
            'protectedLoan' => $this->protectedLoan->id,
            'hold' => $this->hold->id,
            'basket' => $this->basket->id,
            'saved' => $this->saved->id,
            'asked' => $this->asked->id,
            'device' => $this->device->id,
            'list' => $this->list->id,
            'mark' => $name === 'marks.keep' ? (string) Str::uuid() : $this->mark->id,
            'library' => 'saltmere',
            'edition' => '2',
            'part' => 0,
            'room' => 'reading',
            'path' => str_starts_with($name, 'excerpt') ? 'book/package.opf' : 'book/chapter-01.xhtml',
            'kind' =>
                [
                    'download' => 'epub',
                    'opds.file' => 'epub',
                    'titles.file' => 'ris',
                    'marks.file' => 'md',
                    'baskets.file' => 'csv',
                    'desk.orders.file' => 'csv',
                    'almanac.file' => 'csv',
                    'desk.usage.report' => 'tsv',
                ][$name] ?? '',
            'way' => 'listen',
            'page' => 1,
            'from' => 1,
            'to' => 1,
            'rows' => 'line',
            'reading' => $this->reading,
            'fund' => $this->fund->id,
            'message' => $this->message->id,
            'letter' => $this->letter->id,
            'closedDays' => $this->closed->id,
            'class' => $this->class->id,
            'set' => $this->set->id,
            'figure' => 'titles',
            'hash' => 'abcdef012345',
            'logo' => str_repeat('a', 64),
            'member' => $this->colleague->id,
            'change' => 1,
            'upload' => $this->upload->id,
            'file' => $this->file->id,
            'import' => $this->cardImport->id,
            'batch' => $this->batch->id,
            'counterKey' => $this->counterKey->id,
            'report' => 'tr',
            'index' => 'people',
            'filter' => 'authors',
            'section' => '1-the-quay',
            'what' => 'r5/status',
            'records' => $this->records->id,
            'holding' => $this->holding->id,
            'link' => $this->link->id,
            'form' => 'marcxml',
            'entryKind' => 'subject',
            'entry' => (int) DB::table('subjects')->min('id'),
            'invitation' => $this->invitation->id,
            'subject' => 'waiting',
            'session' => str_repeat('0', 40),
            'key' => match ($name) {
                'calendar' => (string) $this->card->person->getAttribute('calendar_key'),
                'desk.join', 'desk.join.store' => self::$invitationKey,
                default => (string) $this->basket->share_key,
            },
        ];
    }

    /** @return array<string, mixed> forms that are filled in rightly */
    private function data(string $name): array
    {
        $day = now()->addDays(9)->format('Y-m-d');

        return match ($name) {
            'holds.pause' => ['until' => $day],
            'holds.spread' => ['until' => [$this->hold->id => $day]],
            'marks.keep' => [
                'locator' => self::$locator,
                'label' => 'Page 1',
                'note' => '',
                'changed_at' => 1000,
                'sent_at' => 1500,
            ],
            'places.keep' => [
                'device' => (string) Str::uuid(),
                'read_at' => 1000,
                'sent_at' => 1500,
                'locator' => self::$locator,
            ],
            'pages.take' => ['from' => '1'],
            'settings.lengths' => ['length' => ['ebook' => '7d']],
            'devices.add' => ['endpoint' => 'https://push.example/1', 'keys' => self::keys()],
            'searches.save' => ['search' => 'q=low', 'name' => 'Low'],
            'almanac.clear' => ['first_day' => '2026-01-01', 'last_day' => '2026-01-02'],
            'searches.tell' => ['tells' => '1'],
            'requests.ask_in_words' => ['name' => 'Nobody knows it', 'none_of_them' => '1'],
            'pin.send' => ['number' => '1'],
            'sign-in.store' => ['number' => '1', 'pin' => '1'],
            'desk.sign-in.store' => ['email' => 'nobody@lantern.example', 'password' => 'x'],
            'baskets.make', 'baskets.change' => ['name' => 'Renamed'],
            'baskets.titles' => ['do' => 'notes'],
            'follow' => ['how' => 'tell'],
            'dictionary' => ['word' => 'low', 'language' => 'en'],
            'suggest' => ['q' => 'lo'],
            'desk.lists.make', 'desk.list.change' => ['name' => 'New', 'room' => 'reading'],
            'desk.list.titles' => ['do' => "add:{$this->title->id}"],
            'desk.rooms.add', 'desk.rooms.change' => ['name_en' => 'Map room'],
            'desk.list.shift', 'baskets.shift' => ['by' => 'up'],
            'desk.requests.name' => ['title' => (string) $this->title->id],
            'desk.requests.decline_words', 'desk.request.decline' => ['why' => 'Out of print.'],
            'letters.send' => ['text' => 'When do you open?', 'email' => 'nobody@lantern.example'],
            'letters.go_on', 'desk.letter.answer' => ['text' => 'At nine.', 'seen' => '999'],
            'desk.messages.write', 'desk.message.change' => ['title_en' => 'Closed', 'text_en' => 'For a day.'],
            'desk.patrons.issue', 'desk.card.describe' => ['name' => 'Ines Brook', 'group' => 'adult'],
            'desk.card.block' => ['reason' => 'Lost.'],
            'desk.card.erase' => ['number' => $this->card->number],
            'desk.uploads.begin' => ['name' => 'low-water.epub', 'bytes' => 10],
            'desk.entry.rename' => ['name' => 'Tides and currents'],
            'desk.batches.look' => [
                'choose' => 'search',
                'find' => $this->title->name,
                'what' => 'add_subject',
                'add_subject' => 'Tides',
            ],
            'desk.holding.add', 'desk.holding.change' => ['place' => 'Upstairs', 'copies' => '2'],
            'desk.link.add', 'desk.link.change' => ['address' => 'https://birds.lantern.example', 'open_to' => 'card'],
            'desk.holdings.store' => ['format' => 'paper', 'name' => 'Gulls', 'place' => 'Upstairs'],
            'desk.records.files.read' => ['licence' => 'none', 'uploads' => $this->upload->id],
            'desk.records.file.choose' => ['row' => (string) $this->recordRow->id, 'chosen' => '0'],
            'desk.patrons.files.read' => ['group' => 'adult', 'uploads' => $this->upload->id],
            'desk.rules.group' => ['name' => 'New'],
            'desk.orders.move' => ['orders' => ['1'], 'to' => 'ordered'],
            'desk.funds.add' => ['name' => 'Films', 'year' => '2026', 'budget' => '100'],
            'desk.fund.budget' => ['year' => '2026', 'budget' => '100'],
            'desk.fund.close' => ['closed' => '1'],
            'classes.join' => ['code' => $this->class->code],
            'classes.make' => ['name' => 'Gulls', 'ends_on' => '2026-12-31'],
            'classes.give' => [
                'title' => (string) $this->title->id,
                'first_day' => '2026-06-01',
                'last_day' => '2026-06-30',
            ],
            'desk.library.save' => [
                'name' => 'Saltmere Library',
                'short_name' => 'Saltmere',
                'place' => 'Saltmere',
                'timezone' => 'Atlantic/Azores',
                'pin_contact' => 'the front desk',
                'language' => 'en',
                'currency' => 'EUR',
                'budget_month' => '1',
                'symbology' => 'code128',
            ],
            'desk.ways.save' => ['with_cards' => '1'],
            'settings.e_reader' => ['e_reader' => 'reader@lantern.example'],
            'settings.passphrase' => ['passphrase' => 'seven quiet herons', 'hint' => 'birds'],
            'lcp.register', 'lcp.renew', 'lcp.return' => ['id' => 'd1', 'name' => 'A device'],
            'settings.folder' => ['folder' => 'x', 'folder_name' => 'x', 'folder_secret' => 'x'],
            'sendings.book', 'sendings.pages', 'sendings.citation', 'sendings.bibliography' => ['way' => 'folder'],
            'read.documents' => ['from' => 'book/chapter-01.xhtml'],
            'copies.price', 'copies.take' => [
                'from_document' => '0',
                'from_share' => '0',
                'to_document' => '0',
                'to_share' => '0.5',
            ],
            'speech' => ['text' => 'The ferry is in.'],
            'desk.usage.give' => ['name' => 'Lantern Coast consortium'],
            'desk.usage.report' => ['report' => 'TR', 'begin_date' => '2026-01', 'end_date' => '2026-02'],
            'desk.library.look' => ['own_colours' => '0'],
            'desk.library.close' => ['first_day' => '2026-12-24'],
            'desk.front.add' => ['row' => 'popular'],
            'desk.front.shift' => ['at' => '0', 'to' => 'down'],
            'desk.paid.budget' => ['month' => '', 'budget' => '100'],
            'desk.order.note' => [
                'form' => (string) Str::uuid(),
                'model' => 'one_copy_one_user',
                'quantity' => '1',
                'copies' => '1',
                'price' => '0',
                'fund' => (string) $this->fund->id,
            ],
            'desk.rule.change' => ['max_loans' => '5', 'seen' => '||||||||', 'sure' => '1'],
            'desk.record.work' => ['do' => 'apart'],
            'desk.record.save' => ['name' => 'Other', 'audience' => 'adult', 'seen' => '{}'],
            'desk.files.take' => ['licence' => 'none', 'uploads' => $this->upload->id],
            'desk.staff.invite' => ['email' => 'new@lantern.example', 'role' => 'figures'],
            'desk.staff.role' => ['role' => 'figures'],
            'desk.own.change' => ['name' => 'Halvard S.'],
            'desk.join.store' => ['name' => 'Ines Brook', 'password' => 'seven herons by the weir'],
            'desk.preview' => ['do' => 'add', 'model' => 'one_copy_one_user', 'copies' => '1'],
            'desk.change' => [
                'do' => 'add',
                'model' => 'one_copy_one_user',
                'copies' => '1',
                'order' => (string) Str::uuid(),
            ],
            default => [],
        };
    }

    /** The licence of a loan that can be renewed, and is nobody's who is asked for. */
    private function protectedLoan(): ProtectedLoan
    {
        $this->licence($title = $this->title('Sealed'));
        $loan = $this->borrow($this->card(), $title);
        $loan->update(['due_at' => $this->now()->addDay()]);
        $file = app(ProtectPublication::class)($this->title, fn() => null);

        return ProtectedLoan::query()->create([
            'id' => (string) Str::uuid(),
            'loan_id' => $loan->id,
            'library_id' => $this->library()->id,
            'sha256' => $file->sha256,
            'user_key' => Passphrase::userKey('seven quiet herons'),
            'hint' => 'birds',
            'issued_at' => $this->now(),
            'ends_at' => $loan->due_at,
            'updated_at' => $this->now(),
        ]);
    }

    /** A patron of Saltmere has one of everything, and its staff a list, a licence and a request to answer. */
    private function scene(): void
    {
        // So many at once are asked for by nobody else.
        config(['figporch.a_minute' => array_map(fn(): int => 1_000_000, (array) config('figporch.a_minute'))]);
        $this->library('larkspur');
        $this->notHere = $this->title('Not here');
        $this->title = $this->importBook();
        $this->card = $this->card();
        $person = $this->card->person;
        $person->update(['calendar_key' => Str::random(40)]);
        $this->loan = $this->borrow($this->card, $this->title);
        DB::table('licences')->update(['chapters_as_pdf' => true, 'download' => 'open']);
        $this->prepared = app(PrepareFile::class)($this->loan, 'epub', $this->now()) ?? $this->fail('It is made.');
        $this->licence = $this->licence($this->wanted = $this->title('Wanted'), price: 7777);
        $this->borrow($this->card(), $this->wanted);
        $this->protectedLoan = $this->protectedLoan();
        $this->hold = $this->hold($this->card, $this->wanted);
        $this->hold($this->card(), $this->title);
        DB::table('holds')->where('title_id', $this->title->id)->delete();
        DB::table('cards')->update([
            'holds_open' => DB::raw('(select count(*) from holds where card_id = cards.id and closed_at is null)'),
        ]);
        $this->basket = Basket::query()->create([
            'person_id' => $person->id,
            'name' => 'A basket',
            'position' => 1,
            'share_key' => Str::random(40),
            'created_at' => $this->now(),
        ]);
        $this->saved = SavedSearch::query()->create([
            'person_id' => $person->id,
            'library_id' => $this->library()->id,
            'name' => 'A search',
            'search' => ['q' => 'low'],
            'tells' => true,
            'looked_at' => $this->now(),
        ]);
        app(AskInWords::class)(
            $this->card,
            new WantedTitle('A wish of Saltmere', '', null, ''),
            true,
            false,
            $this->now(),
        );
        $this->asked = TitleRequest::query()->firstOrFail();
        $this->be($person)
            ->putJson("/loans/{$this->loan->id}/marks/" . ($mark = Str::uuid()), $this->data('marks.keep'))
            ->assertNoContent();
        $this->mark = Mark::query()->findOrFail((string) $mark);
        $this->device = PushDevice::query()->create([
            'person_id' => $person->id,
            'endpoint' => 'https://push.example/2',
            'key' => self::keys()['p256dh'],
            'secret' => self::keys()['auth'],
            'added_at' => $this->now(),
        ]);
        $this->list = StaffList::query()->create([
            'library_id' => $this->library()->id,
            'name' => 'A list of Saltmere',
            'room' => 'reading',
            'position' => 1,
        ]);
        $this->members['staff'] = $this->staff();
        $this->upload =
            app(ReceiveUpload::class)->begin($this->members['staff'], 'x.epub', 1, $this->now()) ??
            $this->fail('There is no room.');
        $this->file = FileImport::query()->create([
            'library_id' => $this->library()->id,
            'staff_member_id' => $this->members['staff']->id,
            'name' => 'A wish of Saltmere.epub',
            'state' => 'refused',
            'asked_at' => $this->now(),
            'ended_at' => $this->now(),
        ]);
        $paper = $this->standsElsewhere($this->title('On paper', Format::Paper, onOrder: true));
        $website = $this->standsElsewhere($this->title('Tide tables', Format::Website, onOrder: true));
        assert($paper instanceof Holding && $website instanceof Link);
        [$this->holding, $this->link] = [$paper, $website];
        $this->batch = Batch::query()->create([
            'library_id' => $this->library()->id,
            'staff_member_id' => $this->members['staff']->id,
            'what' => BatchAction::AddSubject,
            'facts' => ['add_subject' => 'Tides'],
            'chosen' => 'Batch of Saltmere',
            'stage' => 'looked',
            'asked_at' => $this->now(),
        ]);
        $this->counterKey = CounterKey::query()->create([
            'library_id' => $this->library()->id,
            'name' => 'A wish of Saltmere',
            'requestor_id' => 'saltmere-1',
            'key_hash' => str_repeat('0', 64),
            'staff_member_id' => $this->members['staff']->id,
            'made_at' => $this->now(),
        ]);
        $this->cardImport = CardImport::query()->create([
            'library_id' => $this->library()->id,
            'staff_member_id' => $this->members['staff']->id,
            'name' => 'A wish of Saltmere.csv',
            'settings' => ['group' => 'adult', 'expires' => null, 'leavers' => null],
            'stage' => 'read',
            'asked_at' => $this->now(),
        ]);
        $this->records = RecordImport::query()->create([
            'library_id' => $this->library()->id,
            'staff_member_id' => $this->members['staff']->id,
            'name' => 'A wish of Saltmere.mrc',
            'stage' => 'read',
            'asked_at' => $this->now(),
        ]);
        $this->recordRow = RecordImportRow::query()->create([
            'record_import_id' => $this->records->id,
            'number' => 1,
            'outcome' => 'new',
            'name' => 'A wish of Saltmere',
            'marc' => MarcXml::write(
                MarcOfRecord::of(
                    new Record(
                        key: 'x',
                        format: Format::Ebook,
                        name: 'A wish of Saltmere',
                        contributors: [],
                        extent: 1,
                    ),
                    '1',
                    null,
                    $this->now(),
                ),
            ),
            'chosen' => true,
        ]);
        $this->colleague = $this->staff(role: StaffRole::Lists);
        $this->invitation = StaffInvitation::query()->create([
            'library_id' => $this->library()->id,
            'email' => 'wish.of.saltmere@lantern.example',
            'role' => StaffRole::Lists,
            'key_hash' => hash('sha256', self::$invitationKey),
            'invited_by' => $this->colleague->id,
            'invited_at' => $this->now(),
        ]);
        $publication = $this->title->publication()->firstOrFail();
        file_put_contents(storage_path("publications/{$publication->sha256}/" . MeasureMedia::PICTURE), 'a picture');
        is_dir($logos = storage_path('logos')) || mkdir($logos);
        file_put_contents(KeepLogo::path(str_repeat('a', 64)), "\x89PNG");
        $this->class = SchoolClass::query()->create([
            'card_id' => $this->card->id,
            'library_id' => $this->library()->id,
            'name' => 'Herons',
            'code' => 'ABCD6789',
            'made_at' => $this->now(),
            'ends_on' => '2026-12-31',
        ]);
        $this->class->members()->attach($this->card->id, ['joined_at' => $this->now()]);
        $this->set = ClassSet::query()->create([
            'class_id' => $this->class->id,
            'title_id' => $this->title->id,
            'first_day' => '2026-05-01',
            'last_day' => '2026-05-31',
            'made_at' => $this->now(),
        ]);
        $this->closed = ClosedDays::query()->create([
            'library_id' => $this->library()->id,
            'first_day' => '2026-12-31',
            'last_day' => '2026-12-31',
        ]);
        // For the routes alone: nobody looks after a card of their own.
        DB::table('household_cards')->insert([
            'person_id' => $person->id,
            'card_id' => $this->card->id,
            'since' => $this->now(),
        ]);
        DB::table('almanac_titles')->insert([
            'person_id' => $person->id,
            'title_id' => $this->title->id,
            'begun_at' => $this->now(),
            'last_at' => $this->now(),
        ]);
        $school = new SchoolSignIn(
            name: 'Saltmere School',
            issuer: 'https://127.0.0.1:1',
            clientId: 'fig',
            secret: 'x',
            groupClaim: '',
            groups: [],
            otherGroup: 'adult',
            classClaim: '',
            numberClaim: '',
        );
        SignInWays::query()->create(['library_id' => $this->library()->id, 'school' => $school->toArray()]);
        $this->message = Message::query()->create([
            'library_id' => $this->library()->id,
            'texts' => ['en' => ['title' => 'Open late', 'text' => 'Until **nine**.']],
            'first_day' => $this->now()->subDays(2)->format('Y-m-d'),
        ]);
        $this->letter = app(WriteLetter::class)->begin(
            $this->library(),
            $person,
            'en',
            ['name' => '', 'email' => null, 'about' => '', 'text' => 'A letter of Saltmere'],
            $this->now(),
        );
        $this->fund = Fund::query()->create(['library_id' => $this->library()->id, 'name' => 'Books']);
        $this->reading = DB::table('supplier_readings')->insertGetId([
            'begun_at' => $this->now(),
            'ended_at' => $this->now(),
            'held_back' => true,
        ]);
    }

    private function enter(string $role): void
    {
        $this->app['auth']->forgetGuards();
        $this->flushSession();
        $this->app['auth']->shouldUse('web');
        $elsewhere = fn() => $this->library('larkspur');
        match ($role) {
            'nobody' => null,
            'the patron' => $this->be($this->card->person->unsetRelations()),
            'another patron' => $this->be(($this->cards[$role] ??= $this->card())->person->unsetRelations()),
            'a patron of another library' => $this->be(
                ($this->cards[$role] ??= $this->card($elsewhere()))->person->unsetRelations(),
            ),
            'staff' => $this->be($this->members[$role] ??= $this->staff(), 'staff'),
            'staff for the catalogue', 'staff for lending', 'staff for lists', 'staff for figures' => $this->be(
                $this->members[$role] ??= $this->staff(role: self::role($role)),
                'staff',
            ),
            'staff of another library' => $this->be($this->members[$role] ??= $this->staff($elsewhere()), 'staff'),
            default => $this->fail("nobody is called {$role}"),
        };
        $this->app['auth']->shouldUse('web');
        $this->at = $role === 'a patron of another library' ? 'larkspur' : 'saltmere';
    }

    private static function role(string $called): StaffRole
    {
        $words = explode(' ', $called);

        return StaffRole::tryFrom(end($words)) ?? StaffRole::Director;
    }

    /** The library whose pages are looked at. */
    private string $at = 'saltmere';

    /** @var array<string, Card> */
    private array $cards = [];

    /** @var array<string, StaffMember> */
    private array $members = [];

    /** @return array{p256dh: string, auth: string} of the example in RFC 8291, appendix A */
    private static function keys(): array
    {
        return [
            'p256dh' => 'BCVxsr7N_eNgVRqvHtD0zTZsEc6-VV-JvLexhqUzORcxaOzi6-AYWXvTBHm4bjyPjs7Vd8pZGH6SRpkNtoIAiw4',
            'auth' => 'BTBZMqHH6r4Tts7J_aSIgg',
        ];
    }
}

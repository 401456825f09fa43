<?php

declare(strict_types=1);

namespace Tests\App;

use App\Exchange\Opds\AuthenticationDocument;
use App\Models\Basket;
use App\Models\Card;
use App\Models\Title;
use FigPorch\Core\Desk\StaffTask;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Illuminate\Testing\TestResponse;
use LogicException;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;

/**
 * Every route asked by everyone, with what belongs to one patron and to one library: who may what stands in one table,
 * and a route that is not in it fails. What is refused changes nothing.
 */
final class RouteAccessTest extends TestCase
{
    use AsksEveryRoute;

    /** The words of the scene that only its library's staff may see. */
    private const OF_SALTMERE = ['A list of Saltmere', 'A wish of Saltmere', 'A letter of Saltmere', '77.77', '77,77'];

    private const ROLES = [
        'nobody',
        'the patron',
        'another patron',
        'a patron of another library',
        'staff',
        'staff for the catalogue',
        'staff for lending',
        'staff for lists',
        'staff for figures',
        'staff of another library',
    ];

    private const OPEN = 'open to everyone';

    private const GUESTS = 'for who has not signed in';

    private const PATRONS = 'for patrons';

    private const OWN = 'for the patron whose it is';

    private const OWN_BROWSER = 'for the patron or browser whose it is';

    /** Who has signed in here has not signed in there; who may what in it, CatalogueFeedsTest asks. */
    private const OF_APPS = 'for whom a reading application signs in';

    /** What a key opens, UsageTest asks. */
    private const OF_PROGRAMS = 'for programs with a key';

    private const STAFF_GUESTS = 'for staff who have not signed in';

    private const STAFF = 'for staff';

    private const OWN_STAFF_MEMBER = 'for the member of staff whose it is';

    private const OWN_STAFF = 'for the staff whose library it is';

    /**
     * By name, or by method and address. A new route belongs in here. A task is for staff of any library whose task it
     * is; in a list, for those whose library it is too, and others are told so, or it is not there for them.
     */
    private const WHO_MAY = [
        'ready' => self::OPEN,
        'no-such-page' => self::OPEN,
        'front-door' => self::OPEN,
        'libraries.index' => self::OPEN,
        'libraries.choose' => self::OPEN,
        'libraries.at' => self::OPEN,
        'preferences' => self::OPEN,
        'titles.cover' => self::OPEN,
        'look.css' => self::OPEN,
        'look.logo' => self::OPEN,
        'cite' => self::OPEN,
        'offline' => self::OPEN,
        'dictionary' => self::OPEN,
        'excerpt.show' => self::OPEN,
        'excerpt.file' => self::OPEN,
        'excerpt.picture' => self::OPEN,
        'catalogue' => self::OPEN,
        'catalogue.advanced' => self::OPEN,
        'indexes' => self::OPEN,
        'catalogue.older' => self::PATRONS,
        'catalogue.pins' => self::OPEN,
        'catalogue.look' => self::OPEN,
        'catalogue.values' => self::OPEN,
        'suggest' => self::OPEN,
        'rooms.index' => self::OPEN,
        'rooms.show' => self::OPEN,
        'rooms.choose' => self::OPEN,
        'titles.show' => self::OPEN,
        'titles.alike' => self::OPEN,
        'sections.show' => self::OPEN,
        'shelves' => self::OPEN,
        'baskets.put' => self::OPEN,
        'baskets.index' => self::OPEN,
        'baskets.make' => self::OPEN,
        'GET up' => self::OPEN,
        'letters.create' => self::OPEN,
        'letters.send' => self::OPEN,
        'messages.show' => self::OPEN,
        'messages.put_away' => self::OPEN,
        // Whoever has the secret address.
        'baskets.shared' => self::OPEN,
        'desk.join' => self::OPEN,
        'desk.join.store' => self::OPEN,
        'setup' => self::OPEN,
        'setup.store' => self::OPEN,
        'calendar' => self::OPEN,
        'titles.file' => self::OPEN,
        'site-map' => self::OPEN,
        'site-map.part' => self::OPEN,
        'robots' => self::OPEN,
        'counter.status' => self::OPEN,
        'counter.members' => self::OF_PROGRAMS,
        'counter.reports' => self::OF_PROGRAMS,
        'counter.report' => self::OF_PROGRAMS,
        'counter.unknown' => self::OF_PROGRAMS,
        // Whoever has a licence has its address; ProtectedLoansTest asks what is there.
        'lcp.licence' => self::OPEN,
        'lcp.publication' => self::OPEN,
        'lcp.status' => self::OPEN,
        'lcp.register' => self::OPEN,
        'lcp.renew' => self::OPEN,
        'lcp.return' => self::OPEN,
        'opds.authentication' => self::OPEN,
        'opds.search' => self::OPEN,
        'opds.token' => self::OPEN,
        'opds.front' => self::OPEN,
        'opds.rooms' => self::OPEN,
        'opds.room' => self::OPEN,
        'opds.subjects' => self::OPEN,
        'opds.series' => self::OPEN,
        'opds.titles' => self::OPEN,
        'opds.title' => self::OPEN,
        'opds.loans' => self::OF_APPS,
        'opds.holds' => self::OF_APPS,
        'opds.borrow' => self::OF_APPS,
        'opds.hold' => self::OF_APPS,
        'opds.return' => self::OF_APPS,
        'opds.renew' => self::OF_APPS,
        'opds.cancel' => self::OF_APPS,
        'opds.file' => self::OF_APPS,

        'pin.choose' => self::OPEN,
        'pin.store' => self::OPEN,
        'school.begin' => self::GUESTS,
        'school.callback' => self::GUESTS,
        'sign-in' => self::GUESTS,
        'pin.forgotten' => self::GUESTS,
        'pin.send' => self::GUESTS,
        'sign-in.store' => self::GUESTS,

        'sign-out' => self::PATRONS,
        'porch' => self::PATRONS,
        'cards.show' => self::OWN,
        'classes.index' => self::PATRONS,
        'classes.join' => self::PATRONS,
        'classes.make' => self::PATRONS,
        'classes.choose' => self::PATRONS,
        'baskets.for_class' => self::OWN,
        'sendings.bibliography' => self::OWN,
        'classes.leave' => self::OWN,
        'classes.show' => self::OWN,
        'classes.end' => self::OWN,
        'classes.remove' => self::OWN,
        'classes.give' => self::OWN,
        'classes.take_back' => self::OWN,
        'porch.lists' => self::PATRONS,
        'notices' => self::PATRONS,
        'settings.mobile' => self::PATRONS,
        'settings.reading' => self::PATRONS,
        'almanac' => self::PATRONS,
        'almanac.goals' => self::PATRONS,
        'almanac.clear' => self::PATRONS,
        'almanac.judge' => self::OWN,
        'almanac.finish' => self::OWN,
        'almanac.leave_out' => self::OWN,
        'almanac.file' => self::PATRONS,
        'household' => self::PATRONS,
        'household.add' => self::PATRONS,
        'household.end' => self::OWN,
        'household.hold' => self::OWN,
        'household.cancel' => self::OWN,
        'kept' => self::PATRONS,
        'kept.take' => self::PATRONS,
        'own_cards.create' => self::PATRONS,
        'own_cards.add' => self::PATRONS,
        'own_cards.erasing' => self::PATRONS,
        'own_cards.erase' => self::PATRONS,
        'own_cards.name' => self::OWN,
        'own_cards.first' => self::OWN,
        'own_cards.remove' => self::OWN,
        'letters.index' => self::PATRONS,
        'letters.show' => self::OWN,
        'letters.go_on' => self::OWN,
        'help' => self::OPEN,
        'help.tour' => self::OPEN,
        'help.show' => self::OPEN,
        'help.tour.done' => self::PATRONS,
        'desk.help' => self::STAFF,
        'still-here' => self::OPEN,
        'sessions.end_others' => self::PATRONS,
        'sessions.end' => self::PATRONS,
        'settings' => self::PATRONS,
        'settings.lengths' => self::PATRONS,
        'settings.notices' => self::PATRONS,
        'settings.calendar' => self::PATRONS,
        'settings.e_reader' => self::PATRONS,
        'settings.e_reader.confirm' => self::PATRONS,
        'settings.e_reader.remove' => self::PATRONS,
        'settings.passphrase' => self::PATRONS,
        'settings.folder' => self::PATRONS,
        'settings.folder.remove' => self::PATRONS,
        'sendings.index' => self::PATRONS,
        'sendings.citation' => self::PATRONS,
        'sendings.book' => self::OWN,
        'sendings.pages' => self::OWN,
        'settings.history' => self::PATRONS,
        'devices.add' => self::PATRONS,
        'devices.forget' => self::PATRONS,
        'loans.index' => self::PATRONS,
        'holds.index' => self::PATRONS,
        'searches.index' => self::PATRONS,
        'searches.save' => self::PATRONS,
        'requests.index' => self::PATRONS,
        'requests.words' => self::PATRONS,
        'requests.ask_in_words' => self::PATRONS,
        'requests.show' => self::PATRONS,
        'requests.ask' => self::PATRONS,
        'websites.open' => self::PATRONS,
        'offline.loans' => self::PATRONS,
        'marks.index' => self::PATRONS,
        'marks.file' => self::PATRONS,
        'marks.colours' => self::PATRONS,
        'marks.work' => self::PATRONS,
        'borrow.show' => self::PATRONS,
        'borrow.store' => self::PATRONS,
        'holds.place' => self::PATRONS,
        'follow' => self::PATRONS,

        'settings.pin' => self::OWN,
        'holds.spread' => self::OWN,
        'holds.pause' => self::OWN,
        'holds.resume' => self::OWN,
        'holds.at-once' => self::OWN,
        'holds.cancel' => self::OWN,
        'loans.return' => self::OWN,
        'loans.undo-return' => self::OWN,
        'loans.longer' => self::OWN,
        'loans.renew' => self::OWN,
        'read.show' => self::OWN,
        'read.file' => self::OWN,
        'play.show' => self::OWN,
        'play.small' => self::OWN,
        'offline.files' => self::OWN,
        'download' => self::OWN,
        'prepared.show' => self::OWN,
        'prepared.file' => self::OWN,
        'prepared.again' => self::OWN,
        'places.index' => self::OWN,
        'places.keep' => self::OWN,
        'copies.price' => self::OWN,
        'copies.take' => self::OWN,
        'speech' => self::OWN,
        'read.documents' => self::OWN,
        'marks.in' => self::OWN,
        'marks.keep' => self::OWN,
        'marks.remove' => self::OWN,
        'pages.choose' => self::OWN,
        'pages.take' => self::OWN,
        'pages.show' => self::OWN,
        'pages.pdf' => self::OWN,
        'pages.picture' => self::OWN,
        'searches.tell' => self::OWN,
        'searches.remove' => self::OWN,
        'requests.withdraw' => self::OWN,
        'devices.remove' => self::OWN,

        'baskets.show' => self::OWN_BROWSER,
        'baskets.change' => self::OWN_BROWSER,
        'baskets.shift' => self::OWN_BROWSER,
        'baskets.remove' => self::OWN_BROWSER,
        'baskets.share' => self::OWN_BROWSER,
        'baskets.titles' => self::OWN_BROWSER,
        'baskets.bibliography' => self::OWN_BROWSER,
        'baskets.file' => self::OWN_BROWSER,

        'desk.sign-in' => self::STAFF_GUESTS,
        'desk.sign-in.store' => self::STAFF_GUESTS,
        'desk.sign-in.code' => self::STAFF_GUESTS,
        'desk.sign-in.code.store' => self::STAFF_GUESTS,

        'desk.' => self::STAFF,
        'desk.sign-out' => self::STAFF,
        'desk.licences' => self::STAFF,
        'desk.licences.waits' => self::STAFF,
        'desk.licences.csv' => self::STAFF,
        'desk.usage' => self::STAFF,
        'desk.usage.report' => self::STAFF,
        'desk.usage.give' => StaffTask::Library,
        'desk.usage.take_back' => [StaffTask::Library],
        'desk.holding.change' => [StaffTask::Titles],
        'desk.holding.remove' => [StaffTask::Titles],
        'desk.link.change' => [StaffTask::Titles],
        'desk.link.remove' => [StaffTask::Titles],
        'desk.link.follow' => [StaffTask::Titles],
        'desk.link.look' => [StaffTask::Titles],
        'desk.turnaways' => self::STAFF,
        'desk.turnaways.csv' => self::STAFF,
        'desk.turnaways.title' => self::STAFF,
        'desk.turnaways.title.csv' => self::STAFF,
        'desk.lists' => StaffTask::Lists,
        'desk.rooms' => StaffTask::Lists,
        'desk.rooms.create' => StaffTask::Lists,
        'desk.rooms.add' => StaffTask::Lists,
        'desk.rooms.edit' => StaffTask::Lists,
        'desk.rooms.change' => StaffTask::Lists,
        'desk.rooms.shift' => StaffTask::Lists,
        'desk.rooms.remove' => StaffTask::Lists,
        'desk.lists.create' => StaffTask::Lists,
        'desk.lists.make' => StaffTask::Lists,
        'desk.messages' => StaffTask::Messages,
        'desk.messages.create' => StaffTask::Messages,
        'desk.messages.write' => StaffTask::Messages,
        'desk.message' => [StaffTask::Messages],
        'desk.message.change' => [StaffTask::Messages],
        'desk.message.remove' => [StaffTask::Messages],
        'desk.letters' => StaffTask::Letters,
        'desk.letter' => [StaffTask::Letters],
        'desk.letter.answer' => [StaffTask::Letters],
        'desk.letter.lay' => [StaffTask::Letters],
        'desk.requests' => self::STAFF,
        'desk.requests.csv' => self::STAFF,
        'desk.request' => self::STAFF,
        'desk.request.csv' => self::STAFF,
        'desk.request.decline' => StaffTask::Requests,
        'desk.supplier.take' => StaffTask::Requests,
        'desk.titles' => self::STAFF,
        'desk.title' => self::STAFF,
        'desk.elsewhere' => self::STAFF,
        'desk.title.file' => [StaffTask::Titles, 'told'],
        'desk.record.work' => [StaffTask::Titles, 'told'],
        'desk.title.file.take' => [StaffTask::Titles, 'told'],
        'desk.record' => [StaffTask::Titles, 'told'],
        'desk.record.save' => [StaffTask::Titles, 'told'],
        'desk.record.cover' => [StaffTask::Titles, 'told'],
        'desk.record.undo' => [StaffTask::Titles, 'told'],
        'desk.title.csv' => self::STAFF,
        'desk.preview' => StaffTask::Licences,
        'desk.change' => StaffTask::Licences,
        'desk.library' => StaffTask::Library,
        'desk.library.save' => StaffTask::Library,
        'desk.library.look' => StaffTask::Library,
        'desk.library.close' => StaffTask::Library,
        'desk.library.open' => [StaffTask::Library],
        'desk.ways' => StaffTask::Library,
        'desk.ways.save' => StaffTask::Library,
        'desk.front' => StaffTask::Library,
        'desk.front.add' => StaffTask::Library,
        'desk.front.shift' => StaffTask::Library,
        'desk.front.preview' => StaffTask::Library,
        'desk.figures' => self::STAFF,
        'desk.figures.csv' => self::STAFF,
        'desk.renewals' => self::STAFF,
        'desk.renewals.csv' => self::STAFF,
        'desk.weeding' => self::STAFF,
        'desk.weeding.csv' => self::STAFF,
        'desk.paid' => self::STAFF,
        'desk.paid.budget' => StaffTask::Licences,
        'desk.orders' => self::STAFF,
        'desk.orders.move' => StaffTask::Licences,
        'desk.orders.file' => StaffTask::Licences,
        'desk.funds.add' => StaffTask::Licences,
        'desk.fund.budget' => [StaffTask::Licences],
        'desk.fund.close' => [StaffTask::Licences],
        'desk.order' => StaffTask::Licences,
        'desk.order.note' => StaffTask::Licences,

        'desk.today' => self::STAFF,
        'desk.own.leave' => self::STAFF,
        'desk.own.second' => self::STAFF,
        'desk.own.second.on' => self::STAFF,
        'desk.own.second.off' => self::STAFF,
        'desk.own' => self::STAFF,
        'desk.own.change' => self::STAFF,
        'desk.at' => self::OWN_STAFF,
        'desk.staff' => StaffTask::Staff,
        'desk.staff.invite' => StaffTask::Staff,
        'desk.staff.withdraw' => [StaffTask::Staff],
        'desk.staff.role' => [StaffTask::Staff],
        'desk.staff.end' => [StaffTask::Staff],
        'desk.patrons' => StaffTask::Patrons,
        'desk.patrons.new' => StaffTask::Patrons,
        'desk.patrons.issue' => StaffTask::Patrons,
        'desk.patrons.files' => StaffTask::Patrons,
        'desk.patrons.files.read' => StaffTask::Patrons,
        'desk.patrons.file' => [StaffTask::Patrons],
        'desk.patrons.file.apply' => [StaffTask::Patrons],
        'desk.patrons.file.undo' => [StaffTask::Patrons],
        'desk.patrons.file.discard' => [StaffTask::Patrons],
        'desk.patrons.file.pins' => [StaffTask::Patrons],
        'desk.patrons.file.forget_pins' => [StaffTask::Patrons],
        'desk.card' => [StaffTask::Patrons],
        'desk.card.describe' => [StaffTask::Patrons],
        'desk.card.renew' => [StaffTask::Patrons],
        'desk.card.block' => [StaffTask::Patrons],
        'desk.card.unblock' => [StaffTask::Patrons],
        'desk.card.pin' => [StaffTask::Patrons],
        'desk.card.replace' => [StaffTask::Patrons],
        'desk.card.erase' => [StaffTask::Patrons],
        'desk.card.merge' => [StaffTask::Patrons],
        'desk.card.household' => [StaffTask::Patrons],
        'desk.card.household.end' => [StaffTask::Patrons],
        'desk.card.help' => [StaffTask::Patrons],
        'desk.card.return' => [StaffTask::Patrons],
        'desk.card.cancel' => [StaffTask::Patrons],
        'desk.rules' => StaffTask::Rules,
        'desk.rule' => StaffTask::Rules,
        'desk.rule.change' => StaffTask::Rules,
        'desk.rules.group' => StaffTask::Rules,
        'desk.rule.undo' => StaffTask::Rules,
        'desk.entries' => StaffTask::Titles,
        'desk.entry' => StaffTask::Titles,
        'desk.entry.rename' => [StaffTask::Titles, 'told'],
        'desk.entry.merge' => [StaffTask::Titles, 'told'],
        'desk.batches' => StaffTask::Titles,
        'desk.holdings' => StaffTask::Titles,
        'desk.holdings.create' => StaffTask::Titles,
        'desk.holdings.store' => StaffTask::Titles,
        'desk.holding.add' => StaffTask::Titles,
        'desk.link.add' => StaffTask::Titles,
        'desk.batches.look' => StaffTask::Titles,
        'desk.batch' => [StaffTask::Titles],
        'desk.batch.apply' => [StaffTask::Titles],
        'desk.batch.undo' => [StaffTask::Titles],
        'desk.batch.discard' => [StaffTask::Titles],
        'desk.records.files' => StaffTask::Titles,
        'desk.records.files.read' => StaffTask::Titles,
        'desk.records.export' => StaffTask::Titles,
        'desk.records.file' => [StaffTask::Titles],
        'desk.records.file.choose' => [StaffTask::Titles],
        'desk.records.file.apply' => [StaffTask::Titles],
        'desk.records.file.discard' => [StaffTask::Titles],
        'desk.files' => StaffTask::Titles,
        'desk.files.take' => StaffTask::Titles,
        'desk.files.put_away' => [StaffTask::Titles],
        'desk.uploads.begin' => self::STAFF,
        'desk.uploads.show' => self::OWN_STAFF_MEMBER,
        'desk.uploads.part' => self::OWN_STAFF_MEMBER,
        'desk.trail' => StaffTask::Trail,
        'desk.trail.csv' => StaffTask::Trail,

        'desk.list' => [StaffTask::Lists],
        'desk.list.change' => [StaffTask::Lists],
        'desk.list.titles' => [StaffTask::Lists],
        'desk.list.shift' => [StaffTask::Lists],
        'desk.list.remove' => [StaffTask::Lists],
        'desk.requests.words' => [StaffTask::Requests],
        'desk.requests.name' => [StaffTask::Requests],
        'desk.requests.decline_words' => [StaffTask::Requests],
    ];

    /** What a route is for all the same, though the one who may is not answered with success here. */
    private const ANSWERED_OTHERWISE = [
        // No card with that number; a title that is no magazine.
        'sign-in.store' => 302,
        'follow' => 404,
        // It is no PDF.
        'pages.picture' => 422,
        // Where the part belongs is not said.
        'desk.uploads.part' => 409,
        'ready' => 503,
        'no-such-page' => 404,
        // Somebody works here already.
        'setup' => 404,
        // It is not said what number and PIN are.
        'opds.token' => 400,
    ];

    public function test_every_route_is_in_the_table(): void
    {
        $routes = array_keys($this->routes());
        sort($routes);
        $known = array_keys(self::WHO_MAY);
        sort($known);

        $this->assertSame($known, $routes);
    }

    /** What the database would take for a number that is none ends in an error: each is known by its shape first. */
    public function test_what_an_address_names_has_a_shape(): void
    {
        // By a word of their own.
        $texts = ['key', 'kind', 'library', 'way', 'entryKind'];
        foreach ($this->routes() as $name => $route) {
            $shapeless = array_diff($route->parameterNames(), array_keys($route->wheres), $texts);
            $this->assertSame([], array_values($shapeless), "{$name} takes anything for these");
        }
    }

    /** @return iterable<string, array{string}> */
    public static function roles(): iterable
    {
        foreach (self::ROLES as $role) {
            yield $role => [$role];
        }
    }

    #[DataProvider('roles')]
    public function test_who_may_what(string $role): void
    {
        $this->scene();
        $this->enter($role);
        $wrong = [];
        foreach ($this->routes() as $name => $route) {
            // Away from the Desk all staff are alike.
            if (str_starts_with($role, 'staff for') && !str_starts_with($name, 'desk.')) {
                continue;
            }
            $expected = $this->expected($name, $role);
            DB::beginTransaction();
            $response = $this->ask($name, $route);
            // A transaction has a number from its first write on.
            $hasWritten = DB::scalar('select pg_current_xact_id_if_assigned()') !== null;
            DB::rollBack();
            $this->enter($role);

            $answered = $this->outcome($name, $response, str_starts_with($role, 'staff'));
            $answered === $expected || ($wrong[$name] = "{$expected}, but {$answered} ({$response->getStatusCode()})");
            $hasWritten && $expected !== 'allowed' && ($wrong["{$name}, which changed something"] = $expected);
            if (
                $role === 'staff of another library' &&
                str_starts_with($name, 'desk.') &&
                !str_contains($name, 'sign-in')
            ) {
                $this->assertKeptFromOthers($name, $response);
            }
        }
        $this->assertSame([], $wrong);
    }

    /**
     * @return iterable<string, array{string, string, array<string, string>}> route, role, and what its form names that
     *     is not theirs
     */
    public static function foreignNumbers(): iterable
    {
        foreach (['another patron', 'a patron of another library'] as $role) {
            yield "borrowing as {$role}" => ['borrow.store', $role, ['return_first' => 'loan']];
            yield "making a basket as {$role}" => ['baskets.make', $role, ['name' => '=New', 'into' => 'basket']];
            yield "putting a title as {$role}" => ['baskets.put', $role, ['basket' => 'basket']];
        }
        yield 'cutting a licence as other staff' => [
            'desk.change',
            'staff of another library',
            [
                'do' => '=copies',
                'copies' => '=3',
                'licence' => 'licence',
                'order' => '=0f1c1fb4-5c7f-4b7b-9c25-0a4d2d6a4d11',
            ],
        ];
        yield 'ending a licence as other staff' => [
            'desk.change',
            'staff of another library',
            ['do' => '=end', 'licence' => 'licence', 'order' => '=0f1c1fb4-5c7f-4b7b-9c25-0a4d2d6a4d11'],
        ];
        yield 'looking what ending would do' => [
            'desk.preview',
            'staff of another library',
            ['do' => '=end', 'licence' => 'licence'],
        ];
    }

    /** @param  array<string, string>  $form  "=" and a text, or what the number is of */
    #[DataProvider('foreignNumbers')]
    public function test_a_number_in_a_form_is_asked_about_too(string $name, string $role, array $form): void
    {
        $this->scene();
        $this->enter($role);
        $data = array_map(fn(string $of): string => $of[0] === '=' ? substr($of, 1) : (string) $this->{$of}->id, $form);
        $before = $this->everything();
        $response = $this->ask($name, $this->routes()[$name], $data);

        $this->assertContains($response->getStatusCode(), [302, 404, 422]);
        if ($response->isRedirect()) {
            $this->assertNotEmpty(session('errors') ?? session('refusal'), 'it is refused with a reason');
        }
        $this->assertSame($before, $this->everything());
    }

    public function test_a_basket_is_not_moved_into_one_of_somebody_else(): void
    {
        $this->scene();
        $this->be($other = $this->card()->person);
        $mine = Basket::query()->create([
            'person_id' => $other->id,
            'name' => 'Mine',
            'position' => 1,
            'created_at' => $this->now(),
        ]);
        $this->post("/baskets/{$mine->id}", ['name' => 'Mine', 'into' => (string) $this->basket->id])->assertNotFound();
        $this->post("/baskets/{$mine->id}/titles", [
            'do' => 'move',
            'to' => (string) $this->basket->id,
        ])->assertNotFound();
        $this->assertNull($mine->refresh()->parent_id);
    }

    private function expected(string $name, string $role): string
    {
        $isStaff = str_starts_with($role, 'staff');
        $isPatron = str_contains($role, 'patron');

        $who = self::WHO_MAY[$name];
        if (is_array($who) || $who instanceof StaffTask) {
            $task = is_array($who) ? $who[0] : $who;

            return match (true) {
                !$isStaff => 'to the Desk\'s sign-in',
                !self::role($role)->may($task) => 'not their task',
                is_array($who) && $role === 'staff of another library' => isset($who[1])
                    ? 'not their task'
                    : 'not there',
                default => 'allowed',
            };
        }

        return match ($who) {
            self::OPEN => 'allowed',
            self::GUESTS => $isPatron ? 'to the Porch' : 'allowed',
            self::OF_APPS => 'asked to sign in',
            self::OF_PROGRAMS => 'asked for a key',
            self::PATRONS => $isPatron ? 'allowed' : 'to sign in',
            self::OWN => match (true) {
                !$isPatron => 'to sign in',
                $role === 'the patron' => 'allowed',
                default => 'not there',
            },
            self::OWN_BROWSER => $role === 'the patron' ? 'allowed' : 'not there',
            self::STAFF_GUESTS => $isStaff ? 'to the Desk' : 'allowed',
            self::OWN_STAFF_MEMBER => match (true) {
                !$isStaff => 'to the Desk\'s sign-in',
                $role === 'staff' => 'allowed',
                default => 'not there',
            },
            self::OWN_STAFF => match (true) {
                !$isStaff => 'to the Desk\'s sign-in',
                $role === 'staff of another library' => 'not there',
                default => 'allowed',
            },
            self::STAFF => $isStaff ? 'allowed' : 'to the Desk\'s sign-in',
            default => throw new LogicException("Nobody knows who may {$name}."),
        };
    }

    /** @param  TestResponse<Response>  $response */
    private function outcome(string $name, TestResponse $response, bool $wasStaff): string
    {
        $status = $response->getStatusCode();
        $to = $response->isRedirect()
            ? (string) parse_url((string) $response->headers->get('Location'), PHP_URL_PATH)
            : '';

        return match (true) {
            $status === (self::ANSWERED_OTHERWISE[$name] ?? null) &&
                !in_array($to, ['/porch', '/sign-in', '/desk'], true)
                => 'allowed',
            $to === '/sign-in' &&
                !in_array($name, ['sign-in.store', 'pin.send', 'school.begin', 'school.callback'], true)
                => 'to sign in',
            $to === '/desk/sign-in' &&
                !str_starts_with($name, 'desk.sign-in.') &&
                !($name === 'desk.sign-out' && $wasStaff)
                => 'to the Desk\'s sign-in',
            $to === '/porch' && self::WHO_MAY[$name] === self::GUESTS => 'to the Porch',
            $to === '/desk' && self::WHO_MAY[$name] === self::STAFF_GUESTS => 'to the Desk',
            $to === '/libraries' && $name !== 'libraries.choose' => 'to choose a library',
            $status >= 400 && str_starts_with($name, 'counter.') && $response->json('Code') !== null
                => 'asked for a key',
            $status === 404 => 'not there',
            $status === 401 && $response->headers->get('Content-Type') === AuthenticationDocument::TYPE
                => 'asked to sign in',
            $status === 403 && str_starts_with($name, 'desk.') => 'not their task',
            $status < 400 => 'allowed',
            default => "answered with {$status}",
        };
    }

    /** @param  TestResponse<Response>  $response */
    private function assertKeptFromOthers(string $name, TestResponse $response): void
    {
        $text =
            (string) ($response->baseResponse instanceof \Symfony\Component\HttpFoundation\StreamedResponse
                ? $response->streamedContent()
                : $response->getContent());
        foreach (self::OF_SALTMERE as $words) {
            $this->assertStringNotContainsString($words, $text, "{$name} shows another library's staff “{$words}”");
        }
        if (str_ends_with($name, '.csv') && !str_contains($name, 'months')) {
            $this->assertSame(1, substr_count(trim($text), "\n") + 1, "{$name} has rows of another library: {$text}");
        }
    }

    /** A word for all rows of all tables, but for what each visit writes. */
    private function everything(): string
    {
        static $tables = null;
        $tables ??= array_column(
            DB::select("select tablename from pg_tables where schemaname = 'public'
            and tablename not in ('sessions', 'cache', 'cache_locks', 'migrations') order by 1"),
            'tablename',
        );
        $all = implode(
            ' union all ',
            array_map(
                fn(
                    string $table,
                ): string => "select '{$table}' t, md5(coalesce(string_agg(r::text, '|' order by r::text), '')) rows
                    from {$table} r",
                $tables,
            ),
        );

        return (string) json_encode(DB::select($all));
    }
}

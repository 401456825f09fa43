<?php

declare(strict_types=1);

namespace Tests\App\Desk;

use App\Desk\Setup\SetupLink;
use App\Lending\LoanRules\LibraryRules;
use App\Models\Card;
use App\Models\Library;
use App\Models\StaffMember;
use App\Shared\RequestContext;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\BeginningRules;
use FigPorch\Core\Lending\LoanTerms;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use PHPUnit\Framework\Attributes\DataProvider;
use ReflectionProperty;
use Tests\App\TestCase;

/** From an empty machine to a library that one can work with. */
final class SetupTest extends TestCase
{
    private const FORM = [
        'staff_name' => 'Orla Finch',
        'email' => 'Orla@Dunmere.example',
        'password' => 'seven herons by the weir',
        'name' => 'Dunmere Library',
        'short_name' => 'Dunmere',
        'slug' => 'dunmere',
        'place' => 'Dunmere',
        'timezone' => 'Europe/Lisbon',
        'pin_contact' => 'the front desk',
        'rules' => 'public',
        'patrons' => "Ida Marsh\n\n  Tobias Reed  \r\nÍñigo Sáez",
    ];

    /** As in a process of its own: which libraries there are is asked once in each, and who is meant is the patron. */
    private function nextProcess(): void
    {
        (new ReflectionProperty(RequestContext::class, 'libraries'))->setValue(app(RequestContext::class), null);
        Auth::shouldUse('web');
    }

    private function link(): string
    {
        $this->nextProcess();
        $this->assertSame(0, Artisan::call('library:link'));

        return (string) parse_url(trim(Artisan::output()), PHP_URL_PATH);
    }

    public function test_the_link_opens_a_library_with_staff_rules_and_cards_and_is_good_once(): void
    {
        $link = $this->link();
        $this->get($link)->assertOk()->assertSee('Open your library');
        $done = $this->post($link, self::FORM)->assertOk()->assertSee('Dunmere Library is open')->assertSee('3 cards');

        $library = Library::query()->firstOrFail();
        $this->assertSame(
            ['dunmere', 'Europe/Lisbon', null],
            [$library->slug, $library->timezone, $library->consortium_id],
        );
        $this->assertAuthenticatedAs(StaffMember::query()->firstOrFail(), 'staff');
        $this->get('/desk/licences')->assertOk()->assertSee('This library has no titles yet');
        $cards = Card::query()->with('person')->orderBy('id')->get();
        $this->assertSame(
            ['Ida Marsh', 'Tobias Reed', 'Íñigo Sáez'],
            $cards->map(fn(Card $c) => $c->person->name)->all(),
        );
        $this->assertSame(['10000001', '10000002', '10000003'], $cards->pluck('number')->all());
        $this->assertSame(['adult'], $cards->pluck('patron_group')->unique()->values()->all());

        // What the page shows lets them in.
        $this->assertSame(1, preg_match('~10000002</td>\s*<td[^>]*>(\d{6})</td>~', (string) $done->getContent(), $pin));
        $this->post('/desk/sign-out');
        $this->nextProcess();
        $this->post('/sign-in?library=dunmere', ['number' => '10000002', 'pin' => $pin[1]])->assertRedirect('/porch');
        $this->get('/porch')->assertOk()->assertSee('Tobias Reed');
        $this->get('/catalogue')->assertOk()->assertSee('No title is here yet');
        $this->post('/sign-out');

        $this->get($link)->assertNotFound();
        $this->post($link, ['slug' => 'other', 'email' => 'x@y.example'] + self::FORM)
            ->assertRedirect('/desk/sign-in')
            ->assertSessionHas('refusal');
        $this->assertSame(1, Library::query()->count());
        Artisan::call('library:link');
        $this->assertStringContainsString('Somebody works here already', Artisan::output());
        $this->post('/desk/sign-in', [
            'email' => 'orla@dunmere.example',
            'password' => self::FORM['password'],
        ])->assertRedirect('/desk/today');
    }

    public function test_a_newer_link_takes_the_place_of_an_older_and_none_lies_about_in_words(): void
    {
        $old = $this->link();
        $new = $this->link();
        $this->get($old)->assertNotFound();
        $this->get($new)->assertOk();
        $this->assertStringNotContainsString(basename($new), (string) json_encode(DB::table('setup_links')->get()));
        $this->get('/desk/begin/' . str_repeat('a', 40))->assertNotFound();
    }

    /** Somebody else has used the link between the page and its form. */
    public function test_a_link_that_has_been_used_meanwhile_does_nothing(): void
    {
        $link = $this->link();
        app(SetupLink::class)->use(basename($link), fn(): bool => true);
        $this->post($link, self::FORM)->assertRedirect('/desk/sign-in');
        $this->assertSame([0, 0], [Library::query()->count(), StaffMember::query()->count()]);
    }

    /** @return iterable<string, array{string, string}> */
    public static function wrong(): iterable
    {
        yield 'no name' => ['name', ''];
        yield 'no address' => ['email', 'orla'];
        yield 'a short password' => ['password', 'herons'];
        yield 'capitals in addresses' => ['slug', 'Dun Mere'];
        yield 'a path in addresses' => ['slug', '../desk'];
        yield 'no time zone' => ['timezone', 'Dunmere/Town'];
        yield 'unknown rules' => ['rules', 'none'];
        yield 'too many cards' => ['patrons', implode("\n", range(1, 61))];
        yield 'too long' => ['short_name', str_repeat('x', 41)];
    }

    #[DataProvider('wrong')]
    public function test_what_is_wrong_is_said_at_its_field_and_nothing_is_lost(string $field, string $value): void
    {
        $link = $this->link();
        $this->from($link)
            ->post($link, [$field => $value] + self::FORM)
            ->assertRedirect($link)
            ->assertSessionHasErrors($field);
        $page = $this->get($link)->assertOk()->assertSee('what you wrote is kept');
        $field === 'staff_name' || $page->assertSee('Orla Finch');
        $page->assertDontSee(self::FORM['password']);
        $this->assertSame(0, Library::query()->count() + StaffMember::query()->count());
    }

    public function test_rules_are_written_as_core_has_them(): void
    {
        foreach (BeginningRules::cases() as $rules) {
            $this->artisan('library:create', [
                'slug' => $rules->value,
                '--name' => "A {$rules->value}",
                '--rules' => $rules->value,
                '--consortium' => $rules === BeginningRules::Public ? 'Three Weirs' : 'three weirs',
            ])->assertSuccessful();
            $library = Library::query()->where('slug', $rules->value)->firstOrFail();
            foreach ([...$rules->groups(), 'guest'] as $group) {
                foreach (Format::cases() as $format) {
                    $this->assertEquals(
                        LoanTerms::from($rules->rules(), $group, $format),
                        app(LibraryRules::class)->terms($library->id, $group, $format),
                        "{$rules->value}, {$group}, {$format->value}",
                    );
                }
            }
        }
        $this->assertSame(1, DB::table('consortia')->count());
        $this->assertSame(1, Library::query()->distinct()->count('consortium_id'));
    }

    public function test_the_command_says_what_would_be_right(): void
    {
        $this->library('saltmere');
        foreach (
            [
                [['slug' => 'Salt Mere', '--name' => 'x'], 'cannot stand in addresses'],
                [['slug' => 'saltmere', '--name' => 'x'], 'already'],
                [['slug' => 'dunmere'], 'Say what it is called'],
                [['slug' => 'dunmere', '--name' => 'x', '--rules' => 'none'], 'public, school or college'],
                [['slug' => 'dunmere', '--name' => 'x', '--timezone' => 'Mars'], 'no time zone'],
            ]
            as [$given, $said]
        ) {
            $this->artisan('library:create', $given)->expectsOutputToContain($said)->assertExitCode(2);
        }
        $this->assertSame(1, Library::query()->count());
    }

    public function test_every_page_works_with_nothing_in_it(): void
    {
        $ask = function (string $who): void {
            foreach (Route::getRoutes()->getRoutes() as $route) {
                if (!in_array('GET', $route->methods(), true) || str_contains($route->uri(), '{')) {
                    continue;
                }
                $answer = $this->get("/{$route->uri()}");
                $this->assertTrue(
                    $answer->getStatusCode() < 500 || $route->uri() === 'ready',
                    "{$who}: /{$route->uri()}: " .
                        (($answer->baseResponse->exception ?? null)?->getMessage() ?? $answer->getStatusCode()),
                );
            }
        };
        $ask('nobody, no library');
        $this->get('/')->assertOk()->assertSee('No library is open here yet');
        $this->post($this->link(), self::FORM)->assertOk();
        $this->nextProcess();
        $ask('staff');
        $this->post('/desk/sign-out');
        $ask('nobody');
        $this->be(Card::query()->firstOrFail()->person, 'web');
        $ask('a patron');
    }
}

<?php

declare(strict_types=1);

namespace Tests\App\Desk;

use App\Models\Library;
use App\Models\SignInWays;
use FigPorch\Core\Desk\StaffRole;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Tests\App\TestCase;

/** How a library lets its patrons in, as its director sets it. */
final class WaysTest extends TestCase
{
    /** @var array<string, string> */
    private array $school = [
        'with_school' => '1',
        'school_name' => 'Cinder Point School',
        'school_issuer' => 'https://127.0.0.1:9',
        'school_client_id' => 'fig-porch',
        'school_secret' => 'chalk and tide',
        'school_group_claim' => 'role',
        'school_groups' => "pupil = student\n\n teacher=teacher ",
        'mail_domain' => '@School.example',
    ];

    /** @var array<string, string> */
    private array $system = [
        'with_cards' => '1',
        'with_system' => '1',
        'system_host' => 'localhost',
        'system_port' => '6001',
        'system_password' => 'ropewalk',
        'system_group_field' => 'pc',
        'system_other_group' => 'adult',
    ];

    protected function setUp(): void
    {
        parent::setUp();
        $this->card();
        $this->actingAs($this->staff(), 'staff');
    }

    private function ways(): SignInWays
    {
        return SignInWays::of(Library::query()->firstOrFail());
    }

    public function test_a_school_is_set_tried_and_its_secret_kept_sealed_and_said_nowhere(): void
    {
        $this->post('/desk/library/sign-in', $this->school)
            ->assertRedirect('/desk/library/sign-in')
            ->assertSessionHas('refusal');
        $school = $this->ways()->schoolSignIn() ?? $this->fail('It is set.');
        $this->assertSame(['pupil' => 'student', 'teacher' => 'teacher'], $school->groups);
        $this->assertSame('school.example', Library::query()->firstOrFail()->mail_domain);
        $this->get('/desk/library/sign-in')
            ->assertOk()
            ->assertSee('teacher = teacher')
            ->assertDontSee('chalk and tide');
        foreach (['sign_in_ways' => 'school', 'desk_changes' => 'facts'] as $table => $column) {
            $this->assertStringNotContainsString('chalk', (string) DB::table($table)->value($column));
        }
        $this->get('/desk/trail')->assertSee('https://127.0.0.1:9');
        // An empty secret stays as it is.
        $this->post('/desk/library/sign-in', [...$this->school, 'school_secret' => '', 'school_name' => 'CPS']);
        $this->assertSame(
            ['CPS', 'chalk and tide'],
            [$this->ways()->schoolSignIn()?->name, $this->ways()->schoolSignIn()?->secret],
        );
        $this->post('/desk/library/sign-in', ['with_cards' => '1']);
        $this->assertNull($this->ways()->school);
    }

    public function test_a_system_is_set_and_said_to_be_silent(): void
    {
        $this->post('/desk/library/sign-in', $this->system);
        $this->assertStringContainsString('inside this network', (string) session('refusal'));
        $this->assertSame('PC', $this->ways()->librarySystem()?->groupField);
    }

    public function test_what_would_let_nobody_in_or_is_not_whole_is_refused(): void
    {
        $refused = fn(array $form, string $field) => $this->from('/desk/library/sign-in')
            ->post('/desk/library/sign-in', $form)
            ->assertSessionHasErrors($field);
        $refused([], 'with_cards');
        $refused([...$this->school, 'school_issuer' => 'ftp://x'], 'school_issuer');
        $refused([...$this->school, 'school_name' => ''], 'school_name');
        $refused([...$this->school, 'school_groups' => 'pupil'], 'school_groups');
        $refused([...$this->school, 'mail_domain' => 'no domain'], 'mail_domain');
        $refused([...$this->system, 'system_port' => '70000'], 'system_host');
        $refused([...$this->system, 'system_host' => 'a b'], 'system_host');
        $refused([...$this->system, 'system_group_field' => 'p'], 'system_host');
        $this->assertSame(0, DB::table('sign_in_ways')->count());
    }

    public function test_where_a_system_keeps_the_pins_they_are_not_changed_here(): void
    {
        $this->post('/desk/library/sign-in', $this->system);
        $card = $this->card(pin: '4071');
        Auth::shouldUse('web');
        $this->as($card);
        $this->post("/settings/cards/{$card->id}/pin", ['pin' => '4071', 'new_pin' => '8259'])->assertSessionHas(
            'refusal',
        );
        $this->post('/sign-out');
        $this->get('/sign-in?library=saltmere')->assertDontSee('PIN forgotten');
        $this->get('/sign-in/forgotten')->assertRedirect('/sign-in')->assertSessionHas('refusal');
        $this->post('/sign-in/forgotten', ['number' => $card->number])->assertRedirect('/sign-in');
        $this->assertSame(0, DB::table('jobs')->count());
    }

    public function test_it_is_the_directors_task(): void
    {
        $this->actingAs($this->staff(role: StaffRole::Lending), 'staff')
            ->get('/desk/library/sign-in')
            ->assertForbidden();
    }
}

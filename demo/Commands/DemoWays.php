<?php

declare(strict_types=1);

namespace FigPorch\Demo\Commands;

use App\Models\Library;
use App\Models\SignInWays;
use FigPorch\Core\Account\LibrarySystem;
use FigPorch\Core\Account\SchoolSignIn;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** Run at each start: the stand-ins answer on other ports then. */
final class DemoWays extends Command
{
    protected $signature =
        'demo:ways {school : port of the school\'s sign-in} {system : port of the library\'s own system} ' .
        '{websites : port of the websites}';

    protected $description = 'Tell the demo\'s libraries where their school, their own system and websites answer';

    public function handle(): int
    {
        $school = SchoolSignIn::fromArray([
            'name' => 'Cinder Point School',
            'issuer' => "http://127.0.0.1:{$this->argument('school')}",
            'client_id' => 'fig-porch',
            'secret' => 'chalk-and-low-water',
            'group_claim' => 'role',
            'groups' => ['pupil' => 'student', 'teacher' => 'teacher'],
            'class_claim' => 'class',
        ]);
        $system = LibrarySystem::fromArray([
            'host' => '127.0.0.1',
            'port' => (int) $this->argument('system'),
            'institution' => 'LF',
            'user' => 'figporch',
            'password' => 'ropewalk',
            'group_field' => 'PC',
            'groups' => ['ADULT' => 'adult', 'TEEN' => 'teen', 'CHILD' => 'child', 'STAFF' => 'staff'],
            'other_group' => 'adult',
        ]);
        foreach (
            ['cinder-point' => ['school' => $school->toArray()], 'larkspur-ferry' => ['system' => $system->toArray()]]
            as $slug => $ways
        ) {
            $library = Library::query()->where('slug', $slug)->first();
            $library === null || SignInWays::query()->updateOrCreate(['library_id' => $library->id], $ways);
        }

        // Each by the address that it had at the start before this.
        DB::update(
            "update links set
                    address = regexp_replace(address, '^http://(websites\.lantern\.example|127\.0\.0\.1:\d+)/', ?),
                moved_to = regexp_replace(moved_to, '^http://127\.0\.0\.1:\d+/', ?)
                where address ~ '^http://(websites\.lantern\.example|127\.0\.0\.1:\d+)/'",
            array_fill(0, 2, "http://127.0.0.1:{$this->argument('websites')}/"),
        );

        return self::SUCCESS;
    }
}

<?php

declare(strict_types=1);

namespace FigPorch\Demo;

use App\Catalogue\Indexes\CountIndexes;
use App\Desk\Staff\AddStaff;
use App\Lending\Licences\CountUse;
use App\Lending\Loans\CountLoans;
use App\Models\Card;
use App\Models\Library;
use App\Models\Person;
use Closure;
use DateTimeImmutable;
use FigPorch\Core\Desk\StaffRole;
use Illuminate\Contracts\Container\Container;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

/** Fills an empty database with the Lantern Coast: the same every time, with dates relative to today. */
final class LoadDemo
{
    private DemoLibraries $coast;

    public function __construct(private readonly Container $make) {}

    /** @param  Closure(string): void  $say */
    public function __invoke(DateTimeImmutable $now, Closure $say, int $inventedBooks = 180, ?int $media = null): void
    {
        $this->coast = new DemoLibraries($now, $say);
        $takeIn = $this->make->make(SeedTitles::class, ['coast' => $this->coast]);
        $lend = $this->make->make(SeedLending::class, ['coast' => $this->coast]);
        $putAside = $this->make->make(SeedBaskets::class, ['coast' => $this->coast]);

        // In this order, for each step draws its chances after those before it: what is new comes last, so that nothing
        // else changes.
        $this->makeLibraries();
        $this->coast->say('libraries and their rules');
        $titles = $takeIn->importBooks($inventedBooks);
        $takeIn->addRecords();
        $takeIn->licenseWidely($titles);
        $takeIn->payPerLoanAndShare();
        $this->coast->say('licences');
        $cards = $this->makeCards();
        $this->coast->say(Card::query()->count() . ' patrons with cards');
        $this->coast->say($lend->writePastLoans($cards) . ' past loans');
        $lend->payForPastLoans();
        $this->make->make(Arrivals::class)->bring($lend->audiobookOfFirstCard());
        $lend->lendToFirstCard();
        $lend->lendNow($cards);
        $lend->placeHoldsOfFirstCard();
        $this->coast->say(
            DB::table('loans')->whereNull('ended_at')->count() .
                ' open loans, ' .
                DB::table('holds')->whereNull('closed_at')->count() .
                ' holds',
        );
        $takeIn->takeInMedia($media);
        $takeIn->takeInLaterBooks();
        $takeIn->takeInMagazines();
        $putAside->makeStaffLists();
        $this->makeStaff();
        // All of this is one transaction; what searching keeps of licences is written at its end, or now.
        DB::unprepared('set constraints all immediate; set constraints all deferred');
        $putAside->wishAndPutAside($cards);
        $this->make->make(SeedOrders::class, ['coast' => $this->coast])->orderForTheLongestLines();
        $account = $this->make->make(SeedAccount::class, ['coast' => $this->coast]);
        $account->keepAnAlmanac();
        $account->speak();
        // With few of the media, as for tests, nothing goes on by itself.
        if ($media === null) {
            BringNext::dispatch();
        }
        $elsewhere = $this->make->make(SeedElsewhere::class, ['coast' => $this->coast]);
        $elsewhere->standOnShelves();
        $elsewhere->pointToWebsites();
        $this->make->make(CountUse::class)();
        $this->make->make(CountLoans::class)();
        $this->make->make(CountIndexes::class)();
        $this->make->make(SeedUsage::class)->goWithPastLoans();
        DB::statement('analyze');
    }

    private function makeLibraries(): void
    {
        $consortium = DB::table('consortia')->insertGetId(['name' => Members::CONSORTIUM]);
        foreach (Members::LIBRARIES as $facts) {
            $library = Library::query()->create([
                ...$facts,
                'consortium_id' => $consortium,
                'timezone' => Members::TIMEZONE,
            ]);
            $this->coast->libraries[$library->slug] = $library;
            foreach (Members::RULES[$library->slug] as $rule) {
                if (isset($rule['lengths'])) {
                    $rule['lengths'] = json_encode($rule['lengths']);
                }
                DB::table('loan_rules')->insert([...$rule, 'library_id' => $library->id]);
            }
        }
    }

    /**
     * @return array<string, list<Card>> patrons in the background, by library; they have no PIN until their library
     *     sets one
     */
    private function makeCards(): array
    {
        foreach (Members::CARDS as $facts) {
            $email = strtolower(str_replace(' ', '.', $facts['name'])) . '@lantern.example';
            $person = Person::query()->create([
                'name' => $facts['name'],
                'email' => $email,
                'keeps_history' => true,
                'toured' => true,
            ]);
            foreach (
                [
                    [$facts['library'], $facts['number'], $facts['group']],
                    ...isset($facts['also']) ? [[...$facts['also'], 'adult']] : [],
                ]
                as [$slug, $number, $group]
            ) {
                Card::query()->create([
                    'library_id' => $this->coast->libraries[$slug]->id,
                    'person_id' => $person->id,
                    'number' => $number,
                    'pin_hash' => Hash::make($facts['pin']),
                    'patron_group' => $group,
                    'expires_at' => $this->coast->now->modify('+2 years'),
                ]);
            }
        }
        $cards = [];
        foreach ($this->coast->libraries as $slug => $library) {
            for ($i = 0; $i < 30; $i++) {
                $person = Person::query()->create([
                    'name' => "Patron {$library->short_name} " . ($i + 1),
                    'email' => null,
                ]);
                $cards[$slug][] = Card::query()->create([
                    'library_id' => $library->id,
                    'person_id' => $person->id,
                    'number' => sprintf('%d9%06d', 20 + $library->id, $i),
                    'patron_group' =>
                        $slug === 'cinder-point'
                            ? ($i % 6 === 0
                                ? 'teacher'
                                : 'student')
                            : ($i % 5 === 4
                                ? 'teen'
                                : 'adult'),
                ]);
            }
        }

        return $cards;
    }

    private function makeStaff(): void
    {
        foreach (Members::STAFF as $facts) {
            app(AddStaff::class)(
                $this->coast->libraries[$facts['library']],
                StaffRole::from($facts['role']),
                $facts['name'],
                $facts['email'],
                Hash::make($facts['password']),
            );
        }
    }
}

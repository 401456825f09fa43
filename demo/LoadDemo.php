<?php

declare(strict_types=1);

namespace FigPorch\Demo;

use App\Actions\Catalogue\ArrangeBaskets;
use App\Actions\Catalogue\FillBasket;
use App\Actions\Catalogue\ImportPublication;
use App\Actions\Catalogue\LicenceTerms;
use App\Actions\Catalogue\MeasureNeighbours;
use App\Actions\Catalogue\SaveRecord;
use App\Actions\Lending\AddLicence;
use App\Actions\Lending\AskForTitle;
use App\Actions\Lending\AskInWords;
use App\Actions\Lending\BorrowTitle;
use App\Actions\Lending\CountBorrowed;
use App\Actions\Lending\EndLoan;
use App\Actions\Lending\MeasureHabits;
use App\Actions\Lending\PlaceHold;
use App\Models\Card;
use App\Models\Library;
use App\Models\Licence;
use App\Models\Loan;
use App\Models\Person;
use App\Models\Place;
use App\Models\SavedSearch;
use App\Models\StaffList;
use App\Models\StaffMember;
use App\Models\Title;
use App\Queries\Catalogue\BasketOwner;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\SearchWords;
use FigPorch\Core\Catalogue\WantedTitle;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\LoanLength;
use FigPorch\Core\Lending\Rights;
use FigPorch\Demo\Media\ReadAlong;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/** Fills an empty database with the Lantern Coast: the same every time, with dates relative to today. */
final class LoadDemo
{
    private Randomizer $random;

    private DateTimeImmutable $now;

    /** @var array<string, Library> by slug */
    private array $libraries = [];

    public function __construct(
        private readonly ImportPublication $import,
        private readonly SaveRecord $saveRecord,
        private readonly AddLicence $addLicence,
        private readonly BorrowTitle $borrow,
        private readonly EndLoan $endLoan,
        private readonly PlaceHold $placeHold,
        private readonly AskForTitle $ask,
        private readonly AskInWords $askInWords,
        private readonly ArrangeBaskets $arrangeBaskets,
        private readonly FillBasket $fillBasket,
        private readonly MeasureHabits $measureHabits,
        private readonly MeasureNeighbours $measureNeighbours,
        private readonly CountBorrowed $countBorrowed,
    ) {
    }

    /** @param  callable(string): void  $say */
    public function __invoke(DateTimeImmutable $now, callable $say, int $inventedBooks = 180, ?int $media = null): void
    {
        $this->now = $now;
        $this->random = new Randomizer(new Xoshiro256StarStar(7));
        $this->makeLibraries();
        $say('libraries and their rules');
        $titles = $this->importBooks($inventedBooks, $say);
        $this->addRecords($say);
        $this->licenseWidely($titles);
        $this->payPerLoanAndShare();
        $say('licences');
        $cards = $this->makeCards();
        $say(Card::query()->count().' patrons with cards');
        $say($this->writePastLoans().' past loans');
        $this->lendToFirstCard();
        $this->lendNow($cards);
        $this->placeHoldsOfFirstCard();
        $say(DB::table('loans')->whereNull('ended_at')->count().' open loans, '.DB::table('holds')->whereNull('closed_at')->count().' holds');
        $this->takeInMedia($media, $say);
        $this->takeInLaterBooks($say);
        $this->takeInMagazines($say);
        $this->makeStaffLists();
        $this->makeStaff();
        // All of this is one transaction; what searching keeps of licences is written at its end, or now.
        DB::unprepared('set constraints all immediate; set constraints all deferred');
        $this->wishAndPutAside($cards);
        DB::statement('analyze');
    }

    private function makeLibraries(): void
    {
        $consortium = DB::table('consortia')->insertGetId(['name' => Members::CONSORTIUM]);
        foreach (Members::LIBRARIES as $facts) {
            $library = Library::query()->create([...$facts, 'consortium_id' => $consortium, 'timezone' => Members::TIMEZONE]);
            $this->libraries[$library->slug] = $library;
            foreach (Members::RULES[$library->slug] as $rule) {
                if (isset($rule['lengths'])) {
                    $rule['lengths'] = json_encode($rule['lengths']);
                }
                DB::table('loan_rules')->insert([...$rule, 'library_id' => $library->id]);
            }
        }
    }

    /**
     * Books are built into EPUB files and come in through the same door as anyone's.
     *
     * @param  callable(string): void  $say
     * @return list<Title> those written by hand first
     */
    private function importBooks(int $invented, callable $say): array
    {
        $folder = dirname(storage_path()).'/demo';
        is_dir($folder) || mkdir($folder, 0o755, true);
        $builder = new EpubBuilder;
        $titles = [];
        foreach ([...(new Shelf)->books(), ...(new Invention)->books($invented)] as $i => $book) {
            $file = "{$folder}/{$book->isbn}.epub";
            $builder->write($book, $file);
            $library = $this->libraries[$i % 9 === 8 ? 'larkspur-ferry' : 'saltmere'];
            $titles[] = ($this->import)($file, $library, $this->terms($i), $this->now->modify('-'.(900 - $i * 4).' days'))['title'];
        }
        $say(count($titles).' ebooks, built and taken in');

        return $titles;
    }

    /**
     * Sound and video come last: nothing that was drawn before is drawn otherwise for them.
     *
     * @param  int|null  $each  no more of audiobooks, albums and films each than this
     * @param  callable(string): void  $say
     */
    private function takeInMedia(?int $each, callable $say): void
    {
        $files = (new MediaShelf(dirname(storage_path()).'/demo'))->packages((new Shelf)->books(), $each);
        foreach (array_keys($files) as $i => $file) {
            // Music is bought for everybody at once, as in the records.
            ($this->import)($file, $this->libraries['saltmere'], $this->terms($files[$file] === Format::Music ? 4 : $i), $this->now->modify('-'.(60 - $i * 2).' days'));
        }
        $say(count($files).' audiobooks, albums and films, made and taken in');
    }

    private function terms(int $i): LicenceTerms
    {
        return match ($i % 5) {
            0, 3 => new LicenceTerms(LicenceModel::OneCopyOneUser, copies: 1 + $i % 3, priceCents: 5500 * (1 + $i % 3), rights: new Rights(20 + 10 * ($i % 3), $i % 10 === 0)),
            1 => new LicenceTerms(LicenceModel::MeteredByTime, copies: 1, endsAt: $this->now->modify('+'.(40 + $i * 3).' days'), priceCents: 3600, rights: new Rights(10)),
            2 => new LicenceTerms(LicenceModel::MeteredByLoans, copies: 1 + $i % 2, loans: 26 * (1 + $i % 2) + 30, endsAt: $i % 10 === 2 ? null : $this->now->modify('+500 days'), priceCents: 2900 * (1 + $i % 2), rights: new Rights(0, offline: $i % 10 !== 7)),
            default => new LicenceTerms(LicenceModel::Simultaneous, endsAt: $i % 2 === 0 ? null : $this->now->modify('+300 days'), priceCents: 12000, rights: new Rights(null, true, true, true)),
        };
    }

    /** @param  callable(string): void  $say */
    private function addRecords(callable $say): void
    {
        $records = (new Invention)->records((new Invention)->books(180));
        foreach ($records as $i => $record) {
            $added = $this->now->modify('-'.(700 - $i * 3).' days');
            $title = ($this->saveRecord)($record, $added);
            $this->license($title, $i % 7 === 6 ? 'hollow-tor' : 'saltmere', $record->format === Format::Music ? 4 : $i, $added);
        }
        $say(count($records).' records of audiobooks, magazines, music and video');
    }

    /** @param  list<Title>  $byHand */
    private function licenseWidely(array $byHand): void
    {
        foreach (Title::query()->orderBy('id')->get() as $i => $title) {
            foreach (['larkspur-ferry' => 35, 'hollow-tor' => 30, 'cinder-point' => 25] as $slug => $percent) {
                $fits = $slug !== 'cinder-point' || $title->audience !== Audience::Adult || $i < 12;
                if ($fits && ($i < 8 || $this->random->getInt(1, 100) <= $percent)) {
                    $this->license($title, $slug, $i + 2, $this->now->modify('-'.$this->random->getInt(30, 800).' days'));
                }
            }
        }
    }

    private function license(Title $title, string $slug, int $i, DateTimeImmutable $from): void
    {
        $terms = $this->terms($i);
        if (Licence::query()->where(['library_id' => $this->libraries[$slug]->id, 'title_id' => $title->id])->doesntExist()) {
            ($this->addLicence)($this->libraries[$slug]->id, $title->id, $terms->model, $terms->copies, $terms->loans, $from, $terms->endsAt, $this->now, $terms->priceCents, rights: $terms->rights);
        }
    }

    private function makeStaff(): void
    {
        foreach (Members::STAFF as $facts) {
            StaffMember::query()->create([
                'library_id' => $this->libraries[$facts['library']]->id, 'name' => $facts['name'], 'email' => $facts['email'], 'password' => Hash::make($facts['password']),
            ]);
        }
    }

    /** @return array<string, list<Card>> patrons in the background, by library; they have no PIN until their library sets one */
    private function makeCards(): array
    {
        foreach (Members::CARDS as $facts) {
            $email = strtolower(str_replace(' ', '.', $facts['name'])).'@lantern.example';
            $person = Person::query()->create(['name' => $facts['name'], 'email' => $email, 'keeps_history' => true]);
            foreach ([[$facts['library'], $facts['number'], $facts['group']], ...(isset($facts['also']) ? [[...$facts['also'], 'adult']] : [])] as [$slug, $number, $group]) {
                Card::query()->create([
                    'library_id' => $this->libraries[$slug]->id, 'person_id' => $person->id, 'number' => $number,
                    'pin_hash' => Hash::make($facts['pin']), 'patron_group' => $group, 'expires_at' => $this->now->modify('+2 years'),
                ]);
            }
        }
        $cards = [];
        foreach ($this->libraries as $slug => $library) {
            for ($i = 0; $i < 30; $i++) {
                $person = Person::query()->create(['name' => "Patron {$library->short_name} ".($i + 1), 'email' => null]);
                $cards[$slug][] = Card::query()->create([
                    'library_id' => $library->id, 'person_id' => $person->id, 'number' => sprintf('%d9%06d', 20 + $library->id, $i),
                    'patron_group' => $slug === 'cinder-point' ? ($i % 6 === 0 ? 'teacher' : 'student') : ($i % 5 === 4 ? 'teen' : 'adult'),
                ]);
            }
        }

        return $cards;
    }

    /** Loans and holds of the past, more where a title is wanted more, and what libraries had to say no to lately. */
    private function writePastLoans(): int
    {
        $past = new PastLending($this->random);
        $loans = $holds = $turnaways = $spent = [];
        $until = CarbonImmutable::instance($this->now)->subDays(25);
        foreach (Licence::query()->orderBy('id')->get() as $licence) {
            $wanted = ($this->random->getInt(1, 100) / 100) ** 2;
            $rows = $past->of($licence, 0.3 + 3.4 * $wanted * ($licence->copies ?? 2), $until, $licence->loans_bought === null ? PHP_INT_MAX : $licence->loans_bought - 20);
            array_push($loans, ...$rows['loans']);
            array_push($holds, ...$rows['holds']);
            foreach ($rows['holds'] as $hold) {
                if ($hold['placed_at'] > $this->now->modify('-400 days')) {
                    $turnaways[] = ['library_id' => $licence->library_id, 'title_id' => $licence->title_id, 'reason' => 'no_copy_free', 'happened_at' => $hold['placed_at']];
                }
            }
            $spent[$licence->id] = $licence->loans_bought === null ? 0 : count($rows['loans']);
        }
        DB::transaction(function () use ($loans, $holds, $turnaways, $spent): void {
            foreach (['loans' => $loans, 'holds' => $holds, 'turnaways' => $turnaways] as $table => $rows) {
                foreach (array_chunk($rows, 1000) as $chunk) {
                    DB::table($table)->insert($chunk);
                }
            }
            foreach (array_filter($spent) as $licenceId => $count) {
                DB::update('update licences set loans_left = loans_left - ? where id = ?', [$count, $licenceId]);
            }
            ($this->countBorrowed)();
        });
        ($this->measureHabits)($this->now);
        ($this->measureNeighbours)();

        return count($loans);
    }

    /** Some audiobooks and films are paid for loan by loan, and Saltmere shares what it has many of with the consortium. */
    private function payPerLoanAndShare(): void
    {
        foreach (['saltmere' => 12_000, 'hollow-tor' => 8_000] as $slug => $cents) {
            $this->libraries[$slug]->update(['pay_per_loan_budget_cents' => $cents]);
            $titles = Title::query()->whereIn('format', ['audiobook', 'video'])->orderByRaw('id % 7, id')->limit(10)->pluck('id');
            foreach ($titles as $n => $titleId) {
                ($this->addLicence)($this->libraries[$slug]->id, $titleId, LicenceModel::PayPerLoan, null, null, $this->now->modify('-200 days'), null, $this->now, 150 + 50 * ($n % 4));
            }
        }
        DB::update("update licences set shared = true where library_id = ? and copies >= 2 and model in ('one_copy_one_user', 'metered_by_time')", [$this->libraries['saltmere']->id]);
    }

    /**
     * Loans that are open today and lines for the most wanted titles, all through the application's own actions.
     *
     * @param  array<string, list<Card>>  $cards
     */
    private function lendNow(array $cards): void
    {
        foreach ($cards as $slug => $patrons) {
            $titles = Title::query()->join('licences', 'licences.title_id', '=', 'titles.id')->where('library_id', $this->libraries[$slug]->id)
                ->where('licences.starts_at', '<', $this->now->modify('-21 days'))->whereNotNull('copies')
                ->orderByDesc('times_borrowed')->orderBy('titles.id')->limit(48)->pluck('titles.id')->all();
            foreach ($patrons as $i => $card) {
                for ($n = 0; $n < 4; $n++) {
                    $at = $this->now->modify('-'.$this->random->getInt(1, 12).' days')->modify('-'.$this->random->getInt(0, 1400).' minutes');
                    ($this->borrow)($card->id, $titles[($i * 5 + $n * 11) % count($titles)], LoanLength::days(14), $at);
                }
            }
            // The most wanted titles have the longest lines.
            $waitedFor = DB::table('licences')->where('library_id', $this->libraries[$slug]->id)->whereIn('title_id', $titles)
                ->groupBy('title_id')->havingRaw('sum(copies_free) = 0')->orderBy('title_id')->pluck('title_id');
            foreach ($waitedFor as $rank => $titleId) {
                foreach (array_slice($patrons, $rank % 11, intdiv(9, $rank + 1) + $rank % 2) as $n => $card) {
                    ($this->placeHold)($card->id, $titleId, $this->now->modify('-'.(90 - $n * 7 - $rank % 5).' hours'));
                }
            }
        }
    }

    /** @param  callable(string): void  $say */
    private function takeInLaterBooks(callable $say): void
    {
        $folder = dirname(storage_path()).'/demo';
        $books = (new Shelf)->later();
        foreach ($books as $i => [$book, $how]) {
            $file = "{$folder}/{$book->isbn}.".($how === 'pdf' ? 'pdf' : 'epub');
            if (! is_file($file)) {
                $how === 'pdf' ? (new PdfShelf)->write($book, $file) : (new EpubBuilder)->write($how === 'read along' ? ReadAlong::of($book) : $book, $file);
            }
            ($this->import)($file, $this->libraries['saltmere'], new LicenceTerms(LicenceModel::Simultaneous, priceCents: 6000, rights: new Rights(null, true, true, true)), $this->now->modify('-'.(40 - 3 * $i).' days'));
        }
        $say(count($books).' books more, one of them a PDF and one that reads itself aloud');
    }

    /** @param  callable(string): void  $say */
    private function takeInMagazines(callable $say): void
    {
        $folder = dirname(storage_path()).'/demo';
        $issues = (new MagazineShelf)->issues();
        foreach ($issues as $i => $issue) {
            $file = "{$folder}/{$issue->isbn}.epub";
            (new EpubBuilder)->write($issue, $file);
            ($this->import)($file, $this->libraries['saltmere'], new LicenceTerms(LicenceModel::Simultaneous, priceCents: 1800, rights: new Rights(10)), new CarbonImmutable("{$issue->published}-02"));
        }
        $say(count($issues).' issues of magazines, built and taken in');
    }

    private function makeStaffLists(): void
    {
        foreach (Members::STAFF_LISTS as $slug => $lists) {
            foreach ($lists as $position => [$room, $name, $note, $words, $search]) {
                $list = StaffList::query()->create(['library_id' => $this->libraries[$slug]->id, 'room' => $room, 'name' => $name, 'note' => $note, 'position' => $position, 'words' => $search]);
                if ($words === null) {
                    continue;
                }
                $query = implode(' | ', SearchWords::of($words));
                $ids = DB::table('search_rows')->whereRaw("stems @@ to_tsquery('fig_en', ?)", [$query])
                    ->whereExists(fn ($q) => $q->from('licences')->whereColumn('licences.title_id', 'search_rows.title_id')->where('library_id', $this->libraries[$slug]->id))
                    ->when(['children' => 'child', 'teen' => 'teen'][$room] ?? null, fn ($q, string $audience) => $q->where('audience', $audience))
                    ->orderByRaw("ts_rank(stems, to_tsquery('fig_en', ?)) desc, title_id", [$query])->limit(24)->pluck('title_id');
                foreach ($ids as $n => $id) {
                    $list->titles()->attach($id, ['position' => $n]);
                }
            }
        }
    }

    /**
     * What patrons ask their libraries for, and Imara Quell's baskets and saved search.
     *
     * @param  array<string, list<Card>>  $cards
     */
    private function wishAndPutAside(array $cards): void
    {
        foreach ($cards as $slug => $patrons) {
            $missing = DB::table('search_rows')->whereRaw('not ? = any(held)', [$this->libraries[$slug]->id])->where('audience', '<>', 'adult')->orderByRaw('title_id % 17, title_id')->limit(6)->pluck('title_id')->all();
            foreach (Title::query()->findMany($missing) as $n => $title) {
                foreach (array_slice($patrons, $n, 1 + intdiv(11, $n + 1)) as $i => $card) {
                    ($this->ask)($card, $title, true, $i % 3 !== 2, $this->now->modify('-'.(40 - 3 * $n - $i).' days'));
                }
            }
        }
        foreach (array_values($cards) as $n => $patrons) {
            [$name, $people, $format] = [['The Lightkeepers of Tern Head', 'Ysolde Carrow', Format::Ebook], ['Knots for Small Hands', '', null], ['Ferry Songs, the second part', 'the Gannet Stairs Choir', Format::Music], ['Of Tides and Almanacs', 'Corin Vasey', Format::Audiobook]][$n % 4];
            ($this->askInWords)($patrons[count($patrons) - 1], new WantedTitle($name, $people, $format), true, true, $this->now->modify('-'.(4 + $n).' days'));
        }
        $card = $this->firstCard();
        $wanted = Title::query()->join('search_rows as s', 's.title_id', '=', 'titles.id')->whereRaw('not ? = any(s.held)', [$card->library_id])->where('titles.audience', 'adult')->orderBy('titles.id')->select('titles.*')->first();
        if ($wanted !== null) {
            ($this->ask)($card, $wanted, true, true, $this->now->modify('-3 days'));
        }
        $imara = new BasketOwner($card->person_id, null);
        $evenings = $this->arrangeBaskets->make($imara, 'Winter evenings', null, $this->now);
        $aloud = $evenings === null ? null : $this->arrangeBaskets->make($imara, 'To read aloud', $evenings, $this->now);
        $course = $this->arrangeBaskets->make($imara, 'Navigation course', null, $this->now);
        foreach ([['winter | storm | lantern', 7, $evenings], ['lamp | kite', 3, $aloud], ['navigation | tide', 5, $course]] as [$query, $count, $basket]) {
            foreach ($basket === null ? [] : DB::table('search_rows')->whereRaw("stems @@ to_tsquery('fig_en', ?) and ? = any(held)", [$query, $card->library_id])->orderBy('title_id')->limit($count)->pluck('title_id') as $titleId) {
                $basket === null || $this->fillBasket->put($basket, $titleId, $this->now);
            }
        }
        SavedSearch::query()->create(['person_id' => $card->person_id, 'library_id' => $card->library_id, 'name' => 'New sea stories to hear', 'search' => ['q' => 'sea', 'format' => 'audiobook'], 'tells' => true, 'looked_at' => $this->now]);
    }

    private function firstCard(): Card
    {
        return Card::query()->where('number', Members::CARDS[0]['number'])->firstOrFail();
    }

    /** Imara Quell's loans: two under way, one due soon, and an audiobook. */
    private function lendToFirstCard(): void
    {
        $card = $this->firstCard();
        $byHand = Title::query()->whereIn('isbn', array_map(Shelf::isbn(...), range(100, 130)))->orderBy('id')->get();
        $wanted = ['The Salt Ledger' => ['14d', 12, 0.62], 'Knots for Sailors' => ['21d', 9, 0.12], 'Shore Birds of the Lantern Coast' => ['14d', 2, 0.3]];
        foreach ($wanted as $name => [$length, $daysAgo, $fraction]) {
            $title = $byHand->firstWhere('name', $name);
            $started = $this->now->modify("-{$daysAgo} days");
            if ($title === null || ! is_int(($this->borrow)($card->id, $title->id, LoanLength::parse($length), $started))) {
                continue;
            }
            $this->leaveAt($card, $title, $fraction, $this->now->modify('-'.$daysAgo.' hours'));
        }
        $audiobook = Title::query()->where('format', Format::Audiobook)->whereHas('licences', fn ($q) => $q->where('library_id', $card->library_id)->where('copies_free', '>', 0))->orderBy('id')->first();
        if ($audiobook !== null) {
            ($this->borrow)($card->id, $audiobook->id, LoanLength::days(14), $this->now->modify('-4 days'));
        }
    }

    /** Imara Quell's holds: one that is ready and two that wait. */
    private function placeHoldsOfFirstCard(): void
    {
        $card = $this->firstCard();
        $oneCopy = Licence::query()->where('library_id', $card->library_id)->where('copies', 1)->where('copies_free', 0)
            ->whereNotExists(fn ($q) => $q->from('holds')->whereColumn('holds.title_id', 'licences.title_id')->whereNull('closed_at'))->orderBy('id')->first();
        if ($oneCopy !== null) {
            ($this->placeHold)($card->id, $oneCopy->title_id, $this->now->modify('-3 days'));
            $loan = Loan::query()->where('licence_id', $oneCopy->id)->whereNull('ended_at')->firstOrFail();
            ($this->endLoan)($loan->id, 'returned', $this->now->modify('-5 hours'));
        }
        $lines = DB::table('licences')->where('library_id', $card->library_id)->where('copies_free', 0)->orderBy('title_id')->pluck('title_id');
        foreach ($lines->slice(2)->take(2) as $titleId) {
            ($this->placeHold)($card->id, $titleId, $this->now->modify('-1 day'));
        }
    }

    private function leaveAt(Card $card, Title $title, float $fraction, DateTimeImmutable $at): void
    {
        $positions = $title->publication()->firstOrFail()->positions;
        $total = array_sum(array_column($positions, 1));
        $before = 0;
        foreach ($positions as [$href, $count]) {
            if ($before + $count > $fraction * $total) {
                $within = ($fraction * $total - $before) / $count;
                Place::query()->create([
                    'person_id' => $card->person_id, 'title_id' => $title->id, 'device' => '00000000-0000-4000-8000-000000000001', 'device_name' => 'phone',
                    'locator' => ['href' => $href, 'type' => 'application/xhtml+xml', 'locations' => ['progression' => round($within, 4), 'position' => (int) ($fraction * $total) + 1, 'totalProgression' => $fraction]],
                    'read_at' => $at,
                ]);

                return;
            }
            $before += $count;
        }
    }
}

<?php

declare(strict_types=1);

namespace Tests\App;

use App\Catalogue\Records\SaveRecord;
use App\Desk\Staff\AddStaff;
use App\Lending\Audit\LendingAudit;
use App\Lending\Borrowing\BorrowTitle;
use App\Lending\Holds\PlaceHold;
use App\Lending\Licences\AddLicence;
use App\Models\Card;
use App\Models\Hold;
use App\Models\Holding;
use App\Models\Library;
use App\Models\Licence;
use App\Models\Link;
use App\Models\Loan;
use App\Models\Person;
use App\Models\Publication;
use App\Models\StaffMember;
use App\Models\Title;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\OpenTo;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Desk\StaffRole;
use FigPorch\Core\Lending\LicenceModel;
use Illuminate\Mail\Transport\ArrayTransport;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Hash;

/** A small Lantern Coast for tests: libraries, cards, titles and licences in a line each. */
trait LendingFixtures
{
    protected int $made = 0;

    protected function library(string $slug = 'saltmere', ?int $consortium = null): Library
    {
        return Library::query()->firstOrCreate(
            ['slug' => $slug],
            [
                'name' => ucfirst($slug) . ' Library',
                'short_name' => ucfirst($slug),
                'place' => 'Lantern Coast',
                'timezone' => 'Atlantic/Azores',
                'pin_contact' => 'the front desk',
                'consortium_id' => $consortium,
            ],
        );
    }

    protected function card(
        ?Library $library = null,
        string $group = 'adult',
        ?string $pin = null,
        ?Person $person = null,
    ): Card {
        $n = ++$this->made;
        $person ??= Person::query()->create(['name' => "Patron {$n}", 'email' => "patron{$n}@lantern.example"]);

        return Card::query()->create([
            'library_id' => ($library ?? $this->library())->id,
            'person_id' => $person->id,
            'number' => (string) (21000000 + $n),
            'pin_hash' => $pin === null ? null : Hash::make($pin, ['rounds' => 4]),
            'patron_group' => $group,
        ]);
    }

    /** Signs in with the password "nine lanterns". */
    protected function staff(?Library $library = null, StaffRole $role = StaffRole::Director): StaffMember
    {
        $add = app(AddStaff::class);

        return $add(
            $library ?? $this->library(),
            $role,
            'Halvard Strand',
            'staff' . ++$this->made . '@lantern.example',
            Hash::make('nine lanterns', ['rounds' => 4]),
        );
    }

    protected function title(
        string $name = 'Low Water',
        Format $format = Format::Ebook,
        Audience $audience = Audience::Adult,
        string $author = 'Tamsin Ebbing',
        bool $onOrder = false,
    ): Title {
        $title = app(SaveRecord::class)(
            new Record(
                key: 'test:' . ++$this->made,
                format: $format,
                name: $name,
                contributors: [['name' => $author, 'sort' => $author, 'role' => 'author']],
                extent: 120,
                audience: $audience,
                description: 'Twice a year the sea goes out.',
                subjects: ['Mystery'],
            ),
            $this->now(),
        );
        if (!$onOrder) {
            $this->fileOf($title);
        }

        return $title;
    }

    /** A file of which only lending knows. */
    protected function fileOf(Title $title): Publication
    {
        return Publication::query()->create([
            'title_id' => $title->id,
            'sha256' => hash('sha256', "file of {$title->id}"),
            'media_type' => Publication::EPUB,
            'bytes' => 1,
            'fixed_layout' => false,
            'right_to_left' => false,
            'sizes' => ['text.xhtml' => 2048],
            'types' => ['text.xhtml' => 'application/xhtml+xml'],
            'positions' => [['text.xhtml', 2]],
            'excerpt_sizes' => [],
            'excerpt_positions' => [],
            'came_at' => $this->now(),
        ]);
    }

    protected function licence(
        Title $title,
        LicenceModel $model = LicenceModel::OneCopyOneUser,
        int $copies = 1,
        ?int $loans = null,
        ?string $ends = null,
        ?Library $library = null,
        bool $shared = false,
        int $price = 0,
        string $starts = '-1 year',
    ): Licence {
        return app(AddLicence::class)(
            libraryId: ($library ?? $this->library())->id,
            titleId: $title->id,
            model: $model,
            copies: $copies,
            loans: $loans,
            startsAt: $this->now()->modify($starts),
            endsAt: $ends === null ? null : $this->now()->modify($ends),
            now: $this->now(),
            priceCents: $price,
            shared: $shared,
        )->refresh();
    }

    /** A library has it on paper, or points to it. */
    protected function standsElsewhere(
        Title $title,
        ?Library $library = null,
        OpenTo $openTo = OpenTo::Everybody,
        ?string $address = null,
    ): Holding|Link {
        $of = ['library_id' => ($library ?? $this->library())->id, 'title_id' => $title->id];

        return $title->format === Format::Website
            ? Link::query()->create([
                ...$of,
                'address' => $address ?? "https://tides.lantern.example/{$title->id}",
                'open_to' => $openTo,
                'ask_at' => $this->now(),
            ])
            : Holding::query()->create([...$of, 'place' => 'Upstairs', 'call_number' => '599.2 GUL', 'copies' => 1]);
    }

    protected function now(): CarbonImmutable
    {
        return CarbonImmutable::now();
    }

    /** Signed in as whose card it is. */
    protected function as(?Card $card): static
    {
        $card ??= $this->fail('There is no such card.');
        $this->withUnencryptedCookie('library', $card->library->slug);

        return $this->be($card->person->unsetRelations());
    }

    /** What has been mailed, where mail goes nowhere. */
    protected function sentMail(): ArrayTransport
    {
        $transport = $this->app->make('mailer')->getSymfonyTransport();

        return $transport instanceof ArrayTransport ? $transport : $this->fail('Mail goes somewhere.');
    }

    /**
     * All jobs that wait, one after another.
     *
     * @param  string|null  $connection  "imports", or the usual one
     */
    protected function workThroughQueue(?string $connection = null): void
    {
        Artisan::call('queue:work', [
            'connection' => $connection,
            '--stop-when-empty' => true,
            '--sleep' => 0,
            // Of a worker that has grown too large its supervisor makes a new one; there is none here.
            '--memory' => 100_000,
        ]);
    }

    protected function borrow(Card $card, Title $title): Loan
    {
        $outcome = app(BorrowTitle::class)($card->id, $title->id, null, $this->now());
        $this->assertIsInt($outcome, 'the title was lent');

        return Loan::query()->findOrFail($outcome);
    }

    protected function hold(Card $card, Title $title, bool $atOnce = false): Hold
    {
        $outcome = app(PlaceHold::class)($card->id, $title->id, $this->now(), $atOnce);
        $this->assertIsInt($outcome, 'the hold was placed');

        return Hold::query()->findOrFail($outcome);
    }

    /** Recounts every figure that is kept from the rows it counts; the promise of the whole lending house. */
    protected function assertEveryCountIsTrue(): void
    {
        $this->assertSame([], app(LendingAudit::class)->wrong($this->now()));
    }
}

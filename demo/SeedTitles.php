<?php

declare(strict_types=1);

namespace FigPorch\Demo;

use App\Catalogue\Records\SaveRecord;
use App\Lending\Licences\AddLicence;
use App\Lending\Licences\LicenceTerms;
use App\Models\Licence;
use App\Models\Title;
use App\Reading\Publications\ImportPublication;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\DownloadRight;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\Rights;
use FigPorch\Demo\Media\ReadAlong;
use Illuminate\Support\Facades\DB;

/** Titles and their licences: what was written by hand, what is invented, sound, film and magazines. */
final class SeedTitles
{
    public function __construct(
        private readonly DemoLibraries $coast,
        private readonly ImportPublication $import,
        private readonly SaveRecord $saveRecord,
        private readonly AddLicence $addLicence,
    ) {}

    /**
     * Books are built into EPUB files and come in through the same door as anyone's.
     *
     * @return list<Title> those written by hand first
     */
    public function importBooks(int $invented): array
    {
        $folder = $this->coast->folder;
        is_dir($folder) || mkdir($folder, 0o755, true);
        $builder = new EpubBuilder();
        $titles = [];
        foreach ([...(new DemoEbooks())->books(), ...(new TextGenerator())->books($invented)] as $i => $book) {
            $file = "{$folder}/{$book->isbn}.epub";
            $builder->write($book, $file);
            $library = $this->coast->libraries[$i % 9 === 8 ? 'larkspur-ferry' : 'saltmere'];
            $titles[] = ($this->import)(
                $file,
                $library,
                $this->terms($i),
                $this->coast->now->modify('-' . (900 - $i * 4) . ' days'),
            )['title'];
        }
        $this->coast->say(count($titles) . ' ebooks, built and taken in');

        return $titles;
    }

    public function addRecords(): void
    {
        $records = (new TextGenerator())->records((new TextGenerator())->books(180));
        foreach ($records as $i => $record) {
            $added = $this->coast->now->modify('-' . (700 - $i * 3) . ' days');
            $title = ($this->saveRecord)($record, $added);
            $this->license(
                $title,
                $i % 7 === 6 ? 'hollow-tor' : 'saltmere',
                $record->format === Format::Music ? 4 : $i,
                $added,
            );
        }
        $this->coast->say(count($records) . ' records of audiobooks, magazines, music and video');
    }

    /**
     * Sound and video come last: nothing that was drawn before is drawn otherwise for them.
     *
     * @param  int|null  $each  no more of audiobooks, albums and films each than this
     */
    public function takeInMedia(?int $each): void
    {
        $files = (new DemoMedia($this->coast->folder))->packages((new DemoEbooks())->books(), $each);
        foreach (array_keys($files) as $i => $file) {
            // Music is bought for everybody at once, as in the records.
            ($this->import)(
                $file,
                $this->coast->libraries['saltmere'],
                $this->terms($files[$file] === Format::Music ? 4 : $i),
                $this->coast->now->modify('-' . (60 - $i * 2) . ' days'),
            );
        }
        $this->coast->say(count($files) . ' audiobooks, albums and films, made and taken in');
    }

    public function takeInLaterBooks(): void
    {
        $folder = $this->coast->folder;
        $books = (new DemoEbooks())->later();
        foreach ($books as $i => [$book, $how]) {
            $file = "{$folder}/{$book->isbn}." . ($how === 'pdf' ? 'pdf' : 'epub');
            if (!is_file($file)) {
                $how === 'pdf'
                    ? (new PdfBook())->write($book, $file)
                    : (new EpubBuilder())->write($how === 'read along' ? ReadAlong::of($book) : $book, $file);
            }
            ($this->import)(
                $file,
                $this->coast->libraries['saltmere'],
                new LicenceTerms(
                    LicenceModel::Simultaneous,
                    priceCents: 6000,
                    rights: new Rights(null, true, true, DownloadRight::Open),
                ),
                $this->coast->now->modify('-' . (40 - 3 * $i) . ' days'),
            );
        }
        $this->coast->say(count($books) . ' books more, one of them a PDF and one that reads itself aloud');
    }

    public function takeInMagazines(): void
    {
        $folder = $this->coast->folder;
        $issues = (new DemoMagazines())->issues();
        foreach ($issues as $i => $issue) {
            $file = "{$folder}/{$issue->isbn}.epub";
            (new EpubBuilder())->write($issue, $file);
            ($this->import)(
                $file,
                $this->coast->libraries['saltmere'],
                new LicenceTerms(LicenceModel::Simultaneous, priceCents: 1800, rights: new Rights(10)),
                new CarbonImmutable("{$issue->published}-02"),
            );
        }
        $this->coast->say(count($issues) . ' issues of magazines, built and taken in');
    }

    /** @param  list<Title>  $byHand */
    public function licenseWidely(array $byHand): void
    {
        foreach (Title::query()->orderBy('id')->get() as $i => $title) {
            foreach (['larkspur-ferry' => 35, 'hollow-tor' => 30, 'cinder-point' => 25] as $slug => $percent) {
                $fits = $slug !== 'cinder-point' || $title->audience !== Audience::Adult || $i < 12;
                if ($fits && ($i < 8 || $this->coast->random->getInt(1, 100) <= $percent)) {
                    $this->license(
                        $title,
                        $slug,
                        $i + 2,
                        $this->coast->now->modify('-' . $this->coast->random->getInt(30, 800) . ' days'),
                    );
                }
            }
        }
    }

    /**
     * Some audiobooks and films are paid for loan by loan, and Saltmere shares what it has many of with the consortium.
     */
    public function payPerLoanAndShare(): void
    {
        foreach (['saltmere' => 12_000, 'hollow-tor' => 8_000] as $slug => $cents) {
            $this->coast->libraries[$slug]->update(['pay_per_loan_budget_cents' => $cents]);
            $titles = Title::query()
                ->whereIn('format', ['audiobook', 'video'])
                ->orderByRaw('id % 7, id')
                ->limit(10)
                ->pluck('id');
            foreach ($titles as $n => $titleId) {
                ($this->addLicence)(
                    libraryId: $this->coast->libraries[$slug]->id,
                    titleId: $titleId,
                    model: LicenceModel::PayPerLoan,
                    copies: null,
                    loans: null,
                    startsAt: $this->coast->now->modify('-200 days'),
                    endsAt: null,
                    now: $this->coast->now,
                    priceCents: 150 + 50 * ($n % 4),
                );
            }
        }
        DB::update(
            "update licences set shared = true where library_id = ? and copies >= 2
                and model in ('one_copy_one_user', 'metered_by_time')",
            [$this->coast->libraries['saltmere']->id],
        );
    }

    private function license(Title $title, string $slug, int $i, DateTimeImmutable $from): void
    {
        $terms = $this->terms($i);
        if (
            Licence::query()
                ->where(['library_id' => $this->coast->libraries[$slug]->id, 'title_id' => $title->id])
                ->doesntExist()
        ) {
            ($this->addLicence)(
                libraryId: $this->coast->libraries[$slug]->id,
                titleId: $title->id,
                model: $terms->model,
                copies: $terms->copies,
                loans: $terms->loans,
                startsAt: $from,
                endsAt: $terms->endsAt,
                now: $this->coast->now,
                priceCents: $terms->priceCents,
                rights: $terms->rights,
            );
        }
    }

    private function terms(int $i): LicenceTerms
    {
        return match ($i % 5) {
            0, 3 => new LicenceTerms(
                LicenceModel::OneCopyOneUser,
                copies: 1 + ($i % 3),
                priceCents: 5500 * (1 + ($i % 3)),
                rights: new Rights(20 + 10 * ($i % 3), $i % 10 === 0, true, DownloadRight::Protected),
            ),
            1 => new LicenceTerms(
                LicenceModel::MeteredByTime,
                copies: 1,
                endsAt: $this->coast->now->modify('+' . (40 + $i * 3) . ' days'),
                priceCents: 3600,
                rights: new Rights(10),
            ),
            2 => new LicenceTerms(
                LicenceModel::MeteredByLoans,
                copies: 1 + ($i % 2),
                loans: 26 * (1 + ($i % 2)) + 30,
                endsAt: $i % 10 === 2 ? null : $this->coast->now->modify('+500 days'),
                priceCents: 2900 * (1 + ($i % 2)),
                rights: new Rights(0, offline: $i % 10 !== 7),
            ),
            default => new LicenceTerms(
                LicenceModel::Simultaneous,
                endsAt: $i % 2 === 0 ? null : $this->coast->now->modify('+300 days'),
                priceCents: 12000,
                rights: new Rights(null, true, true, DownloadRight::Open),
            ),
        };
    }
}

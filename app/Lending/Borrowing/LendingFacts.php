<?php

declare(strict_types=1);

namespace App\Lending\Borrowing;

use App\Lending\Licences\UsableLicences;
use App\Lending\LoanRules\LibraryRules;
use App\Shared\Sql;
use DateTimeImmutable;
use DateTimeZone;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\AlreadyOnLoan;
use FigPorch\Core\Lending\BorrowDecision;
use FigPorch\Core\Lending\CardStanding;
use FigPorch\Core\Lending\Granted;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LoanLength;
use FigPorch\Core\Lending\LoanTerms;
use FigPorch\Core\Lending\OpenLoan;
use FigPorch\Core\Lending\PayPerLoan;
use FigPorch\Core\Lending\Refused;
use FigPorch\Core\Lending\UndoDecision;
use Illuminate\Support\Facades\DB;
use InvalidArgumentException;
use stdClass;

/** All that a decision about one card and one title needs, in one round trip. */
final readonly class LendingFacts
{
    /** @param  list<Licence>  $licences those of the title that the card's library can use */
    private function __construct(
        public CardStanding $card,
        public LoanTerms $terms,
        public PayPerLoan $payPerLoan,
        public Format $format,
        public Audience $audience,
        public array $licences,
        public ?int $openLoanId,
        public bool $isShortLook,
        public bool $overdueLoan,
        public ?int $holdId,
        public ?int $keptLicenceId,
        public DateTimeZone $zone,
    ) {}

    /** May the card borrow the title? */
    public function borrow(?LoanLength $length, DateTimeImmutable $now): Granted|AlreadyOnLoan|Refused
    {
        return BorrowDecision::decide(
            card: $this->card,
            terms: $this->terms,
            titleAudience: $this->audience,
            licences: $this->licences,
            openLoanId: $this->openLoanId,
            keptLicenceId: $this->keptLicenceId,
            payPerLoan: $this->payPerLoan,
            length: $length,
            libraryZone: $this->zone,
            now: $now,
        );
    }

    /** May a return of the title be taken back? */
    public function undo(Licence $licence, DateTimeImmutable $now): ?Refused
    {
        return UndoDecision::decide(
            card: $this->card,
            terms: $this->terms,
            titleAudience: $this->audience,
            licence: $licence,
            openLoanId: $this->openLoanId,
            holdId: $this->holdId,
            now: $now,
        );
    }

    public static function load(int $cardId, int $titleId, DateTimeImmutable $now): self
    {
        $json = DB::scalar('select lending_facts(?, ?, ?)', [$cardId, $titleId, Sql::timestamp($now)]);
        $facts = json_decode(
            is_string($json) ? $json : throw new InvalidArgumentException("No card {$cardId} or no title {$titleId}."),
        );
        $loans = $facts->loans ?? [];
        $holds = $facts->holds ?? [];
        $soonest = $loans[0] ?? null;
        $format = Format::from($facts->format);
        $own = fn(array $rows): ?stdClass => array_values(
            array_filter($rows, fn(stdClass $row): bool => $row->own),
        )[0] ?? null;
        $ownLoan = $own($loans);
        $ofFormat = fn(array $rows): int => count(array_filter($rows, fn(stdClass $row): bool => $row->of_format));

        return new self(
            card: new CardStanding(
                id: $facts->card,
                libraryId: $facts->library,
                blocked: $facts->blocked,
                expiresAt: $facts->expires_at === null ? null : new DateTimeImmutable($facts->expires_at),
                loansOpen: $facts->loans_open,
                loansOpenOfFormat: $ofFormat($loans),
                holdsOpen: $facts->holds_open,
                holdsOpenOfFormat: $ofFormat($holds),
                soonestDue: $soonest === null
                    ? null
                    : new OpenLoan($soonest->id, $soonest->name, new DateTimeImmutable($soonest->due)),
                blockReason: $facts->block_reason,
            ),
            terms: ($terms = LoanTerms::from(
                LibraryRules::fromRows($facts->rules ?? []),
                $facts->group,
                $format,
                $facts->own_length === null ? null : LoanLength::parse($facts->own_length),
            )),
            payPerLoan: new PayPerLoan(
                $facts->pay_loans,
                $terms->payPerLoanMonthly,
                PayPerLoan::nextMonth($now, $zone = new DateTimeZone($facts->timezone)),
            ),
            format: $format,
            audience: Audience::from($facts->audience),
            licences: array_values(array_map(UsableLicences::fromRow(...), $facts->licences ?? [])),
            openLoanId: $ownLoan !== null && !$ownLoan->over ? $ownLoan->id : null,
            isShortLook: $ownLoan !== null && !$ownLoan->over && $ownLoan->short,
            overdueLoan: $ownLoan !== null && $ownLoan->over,
            holdId: $own($holds)?->id,
            keptLicenceId: $own($holds)?->kept,
            zone: $zone,
        );
    }
}

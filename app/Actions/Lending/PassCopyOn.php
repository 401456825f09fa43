<?php

declare(strict_types=1);

namespace App\Actions\Lending;

use App\Actions\Account\GiveNotice;
use App\Jobs\BorrowForPatron;
use App\Queries\Lending\Rules;
use App\Queries\Lending\UsableLicences;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\HoldInLine;
use FigPorch\Core\Lending\KeptTime;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LoanTerms;
use FigPorch\Core\Lending\NextInLine;
use FigPorch\Core\Lending\NoticeKind;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * A copy has come out of use: it is kept for the next hold that may take it, or becomes free. Runs inside the
 * transaction of what freed it, and takes the licence row, so that nobody can join the line in between.
 */
final class PassCopyOn
{
    public function __construct(private readonly GiveNotice $giveNotice)
    {
    }

    /**
     * @param  bool  $loanSpent  true when the copy comes back from a loan, which a counted licence does not give back;
     *                           false when it was only kept for a hold
     */
    public function __invoke(int $licenceId, int $titleId, DateTimeImmutable $now, bool $loanSpent): void
    {
        $this->to($this->line($licenceId, $titleId, $now), $titleId, $now, $loanSpent);
    }

    /** @param  stdClass  $line  as lending_next_in_line gives it, in this transaction */
    public function to(stdClass $line, int $titleId, DateTimeImmutable $now, bool $loanSpent): void
    {
        $licence = UsableLicences::fromRow($line->licence);
        $loanWaits = ! $loanSpent && $licence->loansLeft !== null ? 1 : 0;
        $mayLend = $licence->startsAt <= $now && ($licence->endsAt === null || $licence->endsAt > $now)
            && ($licence->loansLeft === null || $licence->loansLeft + $loanWaits > 0);
        $kept = $mayLend && $licence->model->hasCopies() && $this->keep($line, $licence, $titleId, $now, loans: $licence->loansLeft === null || $loanWaits ? 0 : 1);
        if (! $kept) {
            DB::update('update licences set copies_free = copies_free + 1, loans_left = loans_left + ? where id = ?', [$loanWaits, $licence->id]);
        }
    }

    /** Keeps a copy that is out of use for the next in line; false when nobody may take it. */
    public function keepForNext(Licence $licence, int $titleId, DateTimeImmutable $now): bool
    {
        return $this->keep($this->line($licence->id, $titleId, $now), $licence, $titleId, $now, loans: 0);
    }

    private function line(int $licenceId, int $titleId, DateTimeImmutable $now): stdClass
    {
        return json_decode((string) DB::scalar('select lending_next_in_line(?, ?, ?)', [$licenceId, $titleId, $now->format('Y-m-d H:i:s.uP')]));
    }

    private function keep(stdClass $line, Licence $licence, int $titleId, DateTimeImmutable $now, int $loans): bool
    {
        $hold = $line->next;
        $next = NextInLine::choose(
            $hold === null ? [] : [new HoldInLine($hold->id, $hold->library, new DateTimeImmutable($hold->line_at), misses: $hold->misses)],
            $licence->libraryId,
            $now,
        );
        if ($next === null) {
            return false;
        }
        $terms = LoanTerms::from(Rules::fromRows($hold->rules ?? []), $hold->group, Format::from($hold->format));
        $keptUntil = $now->modify('+'.KeptTime::seconds($terms->holdKeptHours, $hold->kept_seconds).' seconds');
        $keptUntil = $licence->endsAt === null ? $keptUntil : min($keptUntil, $licence->endsAt);
        DB::select('select lending_keep(?, ?, ?, ?, ?)', [$next->id, $licence->id, $now->format('Y-m-d H:i:s.uP'), $keptUntil->format('Y-m-d H:i:s.uP'), $loans]);
        if ($hold->at_once) {
            BorrowForPatron::dispatch($next->id);
        } else {
            $this->tell($next->id, $hold->person, $titleId, $hold->name, $keptUntil, $hold->timezone, $now);
        }

        return true;
    }

    public function tell(int $holdId, int $personId, int $titleId, string $name, DateTimeImmutable $keptUntil, string $timezone, DateTimeImmutable $now): void
    {
        ($this->giveNotice)($personId, NoticeKind::HoldReady, "hold-ready:{$holdId}:{$keptUntil->getTimestamp()}", [
            'title' => $titleId,
            'name' => $name,
            'kept_until' => $keptUntil->format(DATE_ATOM),
            'timezone' => $timezone,
        ], $now);
    }
}

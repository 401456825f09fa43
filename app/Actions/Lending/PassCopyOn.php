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
    public function __construct(private readonly Rules $rules, private readonly GiveNotice $giveNotice)
    {
    }

    /**
     * @param  bool  $loanSpent  true when the copy comes back from a loan, which a counted licence does not give back;
     *                           false when it was only kept for a hold
     */
    public function __invoke(int $licenceId, int $titleId, DateTimeImmutable $now, bool $loanSpent): void
    {
        $row = DB::selectOne('select * from licences where id = ? for no key update', [$licenceId]);
        $licence = UsableLicences::fromRow($row);
        $loanWaits = ! $loanSpent && $licence->loansLeft !== null ? 1 : 0;
        $mayLend = $licence->startsAt <= $now && ($licence->endsAt === null || $licence->endsAt > $now)
            && ($licence->loansLeft === null || $licence->loansLeft + $loanWaits > 0);

        if ($mayLend && $licence->model->hasCopies() && $this->keepForNext($licence, $titleId, $now)) {
            if (! $loanWaits) {
                DB::update('update licences set loans_left = loans_left - 1 where id = ?', [$licenceId]);
            }
        } else {
            DB::update('update licences set copies_free = copies_free + 1, loans_left = loans_left + ? where id = ?', [$loanWaits, $licenceId]);
        }
    }

    /** Keeps a copy that is out of use for the next in line; false when nobody may take it. */
    public function keepForNext(Licence $licence, int $titleId, DateTimeImmutable $now): bool
    {
        $at = $now->format('Y-m-d H:i:s.uP');
        // Rows locked by another are being made ready, borrowed or cancelled at this moment: not ours to give.
        $rows = DB::select(
            "select h.id, h.library_id, h.line_at, h.misses from holds h where h.title_id = ? and
                (h.state = 'waiting' or h.state = 'paused' and h.paused_until <= ?) and (h.library_id = ? or exists
                (select from licences li where li.id = ? and li.shared))
                and exists (select from cards c where c.id = h.card_id and c.blocked_at is null and (c.expires_at is null or c.expires_at > ?))
                order by h.library_id <> ?, h.line_at, h.id limit 1 for no key update skip locked",
            [$titleId, $at, $licence->libraryId, $licence->id, $at, $licence->libraryId],
        );
        $next = NextInLine::choose(
            array_values(array_map(fn (stdClass $r): HoldInLine => new HoldInLine($r->id, $r->library_id, new DateTimeImmutable($r->line_at), misses: $r->misses), $rows)),
            $licence->libraryId,
            $now,
        );
        if ($next === null) {
            return false;
        }
        $hold = DB::selectOne(
            'select h.kept_seconds, h.borrow_at_once, c.person_id, c.patron_group, c.library_id, t.format, t.name, lib.timezone
                from holds h join cards c on c.id = h.card_id join titles t on t.id = h.title_id join libraries lib on lib.id = c.library_id where h.id = ?',
            [$next->id],
        );
        $terms = $this->rules->terms($hold->library_id, $hold->patron_group, Format::from($hold->format));
        $keptUntil = $now->modify('+'.KeptTime::seconds($terms->holdKeptHours, $hold->kept_seconds).' seconds');
        $keptUntil = $licence->endsAt === null ? $keptUntil : min($keptUntil, $licence->endsAt);
        DB::update(
            "update holds set state = 'ready', licence_id = ?, ready_at = ?, kept_until = ?, paused_until = null, told = false where id = ?",
            [$licence->id, $at, $keptUntil->format('Y-m-d H:i:s.uP'), $next->id],
        );
        if ($hold->borrow_at_once) {
            BorrowForPatron::dispatch($next->id);
        } else {
            $this->tell($next->id, $hold->person_id, $titleId, $hold->name, $keptUntil, $hold->timezone, $now);
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

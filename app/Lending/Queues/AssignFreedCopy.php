<?php

declare(strict_types=1);

namespace App\Lending\Queues;

use App\Account\Notices\GiveNotice;
use App\Lending\Holds\BorrowForPatron;
use App\Lending\Licences\UsableLicences;
use App\Lending\LoanRules\LibraryRules;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LoanTerms;
use FigPorch\Core\Lending\NoticeKind;
use FigPorch\Core\Lending\PickupWindow;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * Copies have come out of use: each is kept for the next hold that may take it, or becomes free. Runs inside the
 * transaction of what freed them, and takes the licences' rows, so that nobody can join their lines in between.
 */
final class AssignFreedCopy
{
    public function __construct(private readonly GiveNotice $giveNotice) {}

    /** A copy that was only kept for a hold. */
    public function __invoke(int $licenceId, int $titleId, DateTimeImmutable $now): void
    {
        $this->all([$this->line($licenceId, $titleId, $now)], $now, loanSpent: false);
    }

    /**
     * Copies that come back from loans, which a counted licence does not give back.
     *
     * @param  list<stdClass>  $lines  each of another title, as lending_next_in_line gives them in this transaction
     */
    public function returned(array $lines, DateTimeImmutable $now): void
    {
        $this->all($lines, $now, loanSpent: true);
    }

    /** Keeps a copy that is out of use for the next in line; false when nobody may take it. */
    public function keepForNext(Licence $licence, int $titleId, DateTimeImmutable $now): bool
    {
        $keeping = $this->next($this->line($licence->id, $titleId, $now), $licence, $now, loans: 0);
        $this->keep($keeping === null ? [] : [$keeping], $now);

        return $keeping !== null;
    }

    /** @param  list<stdClass>  $lines */
    private function all(array $lines, DateTimeImmutable $now, bool $loanSpent): void
    {
        $keeping = [];
        foreach ($lines as $line) {
            $licence = UsableLicences::fromRow($line->licence);
            $loanWaits = !$loanSpent && $licence->loansLeft !== null ? 1 : 0;
            $mayLend =
                $licence->startsAt <= $now &&
                ($licence->endsAt === null || $licence->endsAt > $now) &&
                ($licence->loansLeft === null || $licence->loansLeft + $loanWaits > 0);
            $kept =
                $mayLend && $licence->model->hasCopies()
                    ? $this->next($line, $licence, $now, loans: $licence->loansLeft === null || $loanWaits ? 0 : 1)
                    : null;
            if ($kept === null) {
                DB::update(
                    'update licences set copies_free = copies_free + 1, loans_left = loans_left + ? where id = ?',
                    [$loanWaits, $licence->id],
                );
            } else {
                $keeping[] = $kept;
            }
        }
        $this->keep($keeping, $now);
    }

    private function line(int $licenceId, int $titleId, DateTimeImmutable $now): stdClass
    {
        return json_decode(
            (string) DB::scalar('select lending_next_in_line(?, ?, ?)', [$licenceId, $titleId, Sql::timestamp($now)]),
        );
    }

    /** @return KeptCopy|null null where nobody may take it */
    private function next(stdClass $line, Licence $licence, DateTimeImmutable $now, int $loans): ?KeptCopy
    {
        $hold = $line->next;
        if ($hold === null) {
            return null;
        }
        $terms = LoanTerms::from(LibraryRules::fromRows($hold->rules ?? []), $hold->group, Format::from($hold->format));
        $until = $now->modify('+' . PickupWindow::seconds($terms->holdKeptHours, $hold->kept_seconds) . ' seconds');

        return new KeptCopy(
            $hold,
            $licence->id,
            $licence->endsAt === null ? $until : min($until, $licence->endsAt),
            $loans,
        );
    }

    /** @param  list<KeptCopy>  $copies */
    private function keep(array $copies, DateTimeImmutable $now): void
    {
        if ($copies === []) {
            return;
        }
        $told = array_values(array_filter($copies, fn(KeptCopy $copy): bool => !$copy->hold->at_once));
        $given = DB::scalar('select lending_keep(?, ?, ?, ?)', [
            json_encode(array_map(fn(KeptCopy $copy): array => $copy->toRow(), $copies), JSON_THROW_ON_ERROR),
            Sql::timestamp($now),
            NoticeKind::HoldReady->value,
            json_encode(
                array_map(fn(KeptCopy $copy): array => $copy->notice(), $told),
                JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE,
            ),
        ]);
        $this->giveNotice->carry(json_decode((string) $given));
        foreach ($copies as $copy) {
            if ($copy->hold->at_once) {
                BorrowForPatron::dispatch($copy->hold->id);
            }
        }
    }
}

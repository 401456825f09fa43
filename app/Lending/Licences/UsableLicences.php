<?php

declare(strict_types=1);

namespace App\Lending\Licences;

use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LicenceModel;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The licences that a library's patrons can use: its own, and those that others of its consortium share. */
final class UsableLicences
{
    /** A condition on licences (alias li) for a library. */
    public const FOR_LIBRARY = 'exists (select from libraries o, libraries lib
        where o.id = li.library_id and lib.id = ? and licence_serves(li.shared, o, lib))';

    /**
     * @param  list<int>  $titleIds
     * @return array<int, list<Licence>> by title, the oldest first
     */
    public function of(int $libraryId, array $titleIds, DateTimeImmutable $now, bool $locked = false): array
    {
        if ($titleIds === []) {
            return [];
        }
        $rows = DB::select(
            "select li.*, case when li.model = 'pay_per_loan' then pay_per_loan_left(li.library_id, ?)
                end as budget_left from licences li
                where li.title_id = any(?::bigint[]) and " .
                self::FOR_LIBRARY .
                ' order by li.id' .
                ($locked ? ' for no key update' : ''),
            [Sql::second($now), Sql::array($titleIds), $libraryId],
        );
        $licences = array_fill_keys($titleIds, []);
        foreach ($rows as $row) {
            $licences[$row->title_id][] = self::fromRow($row);
        }

        return $licences;
    }

    public static function fromRow(stdClass $row): Licence
    {
        return new Licence(
            id: $row->id,
            libraryId: $row->library_id,
            model: LicenceModel::from($row->model),
            copies: $row->copies,
            copiesFree: $row->copies_free,
            loansLeft: $row->model === LicenceModel::PayPerLoan->value
                ? max(0, intdiv($row->budget_left ?? 0, $row->price_cents))
                : $row->loans_left,
            startsAt: new DateTimeImmutable($row->starts_at),
            endsAt: $row->ends_at === null ? null : new DateTimeImmutable($row->ends_at),
            onOrder: $row->file_came_at === null,
        );
    }
}

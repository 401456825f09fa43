<?php

declare(strict_types=1);

namespace App\Catalogue\FrontDoor;

use App\Catalogue\StaffLists\ListOnShow;
use App\Catalogue\StaffLists\StaffLists;
use App\Models\ClosedDays;
use App\Models\Library;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\FrontRow;
use FigPorch\Core\Catalogue\FrontRowKind;
use Illuminate\Support\Collection;

/** What stands on a library's front door at a moment, row by row. */
final class FrontDoor
{
    /** How long before the library closes it is said. */
    private const CLOSES_DAYS = 7;

    private const COVERS = 6;

    public function __construct(private readonly LibraryHoldings $holdings, private readonly StaffLists $staffLists) {}

    /** @return array{rows: list<array{FrontRow, mixed}>, closed: ClosedDays|null} each row with what it shows */
    public function on(Library $library, DateTimeImmutable $now): array
    {
        $local = $now->setTimezone($library->zone());
        $rows = [];
        foreach (FrontRow::read($library->front_rows) as $row) {
            $shown = $row->showsOn($local->format('Y-m-d')) ? $this->shown($row, $library, $now) : null;
            if ($shown !== null) {
                $rows[] = [$row, $shown];
            }
        }

        return [
            'rows' => $rows,
            'closed' => ClosedDays::query()
                ->where('library_id', $library->id)
                ->where('first_day', '<=', $local->modify('+' . self::CLOSES_DAYS . ' days')->format('Y-m-d'))
                ->where('last_day', '>=', $local->format('Y-m-d'))
                ->orderBy('first_day')
                ->first(),
        ];
    }

    /** @return mixed null where the row has nothing to show */
    private function shown(FrontRow $row, Library $library, DateTimeImmutable $now): mixed
    {
        $some = fn(Collection $titles): ?Collection => $titles->isEmpty() ? null : $titles;

        return match ($row->kind) {
            FrontRowKind::Formats => $this->holdings->counts($library->id, $now),
            FrontRowKind::Ready => $some($this->holdings->newest($library->id, $now, true, self::COVERS)),
            FrontRowKind::Newest => $some($this->holdings->newest($library->id, $now, false, self::COVERS)),
            FrontRowKind::Popular => $some($this->holdings->mostBorrowed($library->id, $now, self::COVERS)),
            FrontRowKind::Lists => $this->staffLists->showing($library, $now) ?: null,
            FrontRowKind::List => $this->list((int) $row->list, $library, $now),
        };
    }

    private function list(int $id, Library $library, DateTimeImmutable $now): ?ListOnShow
    {
        $list = $this->staffLists->showing($library, $now, covers: self::COVERS, only: $id)[0] ?? null;

        return $list === null || $list->first === [] ? null : $list;
    }
}

<?php

declare(strict_types=1);

namespace App\Desk\Holdings;

use App\Catalogue\Records\SaveRecord;
use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Lending\Holdings\KeepElsewhere;
use App\Models\Holding;
use App\Models\Link;
use App\Models\StaffMember;
use App\Models\Title;
use App\Shared\Sql;
use Carbon\CarbonImmutable;
use FigPorch\Core\Catalogue\Holding as CoreHolding;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\WebLink;
use Illuminate\Support\Facades\DB;

/** What a library's staff write down of what it has on paper, and of the websites that it points to. */
final class ChangeElsewhere
{
    public function __construct(
        private readonly KeepElsewhere $keep,
        private readonly SaveRecord $saveRecord,
        private readonly RecordChange $recordChange,
    ) {}

    /** A title of its own, or where it is known already, only that it is here, too. */
    public function begin(StaffMember $by, Record $record, CarbonImmutable $now): Title
    {
        return DB::transaction(function () use ($by, $record, $now): Title {
            $this->saveRecord->alone($record->key);
            $title = Title::query()->where('record_key', $record->key)->first() ?? ($this->saveRecord)($record, $now);
            foreach ($record->holdings as $of) {
                $this->putHolding($by, $title, null, $of, $now);
            }
            foreach ($record->links as $of) {
                $this->putLink($by, $title, null, $of, $now);
            }

            return $title;
        });
    }

    /** @param  Holding|null  $was  which is to be so; null for another shelf */
    public function putHolding(
        StaffMember $by,
        Title $title,
        ?Holding $was,
        CoreHolding $of,
        CarbonImmutable $now,
    ): void {
        DB::transaction(function () use ($by, $title, $was, $of, $now): void {
            $before = $was === null ? null : Holding::query()->lockForUpdate()->find($was->id);
            $named = Holding::query()
                ->where(['library_id' => $by->library_id, 'title_id' => $title->id])
                ->where(['place' => $of->place, 'call_number' => $of->callNumber])
                ->first();
            if ($before !== null && ($named === null || $named->is($before))) {
                $before->fill(['place' => $of->place, 'call_number' => $of->callNumber]);
                $before->fill(['copies' => $of->copies, 'numbers' => $of->numbers])->save();
            } else {
                // Another shelf has that name already: the two are one.
                $before?->delete();
                $this->keep->holding($by->library_id, $title, $of);
            }
            ($this->recordChange)(
                $by,
                ChangeKind::HoldingChanged,
                "“{$title->name}”",
                ['holding' => [$was === null ? null : self::shelf($was->value()), self::shelf($of)]],
                $now,
            );
        });
    }

    /** @param  Link|null  $was  which is to be so; null for another address */
    public function putLink(StaffMember $by, Title $title, ?Link $was, WebLink $of, CarbonImmutable $now): void
    {
        DB::transaction(function () use ($by, $title, $was, $of, $now): void {
            $before = $was === null ? null : Link::query()->lockForUpdate()->find($was->id);
            $named = Link::query()
                ->where(['library_id' => $by->library_id, 'title_id' => $title->id, 'address' => $of->address])
                ->first();
            if ($before !== null && $named === null) {
                // Of another address nothing is known yet.
                $before->fill(['address' => $of->address, 'about' => $of->about, 'open_to' => $of->openTo]);
                $before->fill(['ask_at' => $now, 'asked_at' => null, 'tries' => 0, 'trouble' => null]);
                $before->fill(['moved_to' => null, 'dead_at' => null])->save();
            } else {
                $before === null || $before->is($named) || $before->delete();
                $this->keep->link($by->library_id, $title, $of, $now);
            }
            ($this->recordChange)(
                $by,
                ChangeKind::LinkChanged,
                "“{$title->name}”",
                ['link' => [$was?->address, $of->address]],
                $now,
            );
        });
    }

    public function remove(StaffMember $by, Holding|Link $of, CarbonImmutable $now): void
    {
        DB::transaction(function () use ($by, $of, $now): void {
            $gone = $of->newQuery()->whereKey($of->id)->delete();
            $gone === 0 ||
                ($this->recordChange)(
                    $by,
                    $of instanceof Link ? ChangeKind::LinkRemoved : ChangeKind::HoldingRemoved,
                    "“{$of->title->name}”",
                    $of instanceof Link
                        ? ['link' => [$of->address, null]]
                        : ['holding' => [self::shelf($of->value()), null]],
                    $now,
                );
        });
    }

    /** Looked at within the next minutes, and as for the first time. */
    public function lookAgain(Link $link, CarbonImmutable $now): void
    {
        $link->update(['ask_at' => Sql::second($now), 'tries' => 0]);
    }

    private static function shelf(CoreHolding $of): string
    {
        return implode(', ', array_filter([$of->place, $of->callNumber, (string) $of->copies]));
    }
}

<?php

declare(strict_types=1);

namespace App\Desk\Records;

use App\Catalogue\Records\SaveRecord;
use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Models\StaffMember;
use App\Models\Title;
use App\Models\Work;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Of which work a title is, where staff know better than its record: two books of one name and author are parted, one
 * that was translated is put together with its original. It stands whatever records come later, until it is taken back.
 */
final class SayWork
{
    /** So many titles of a work are named. */
    private const NAMED = 5;

    public function __construct(private readonly SaveRecord $saveRecord, private readonly RecordChange $recordChange) {}

    /** It is a work of its own. */
    public function apart(StaffMember $by, Title $title, DateTimeImmutable $now): void
    {
        $this->say($by, $title, $now, function (Title $title): void {
            $work = Work::query()->firstOrCreate(['match_key' => "title:{$title->id}"], ['name' => $title->name]);
            $title->update(['work_said' => $work->match_key, 'work_id' => $work->id]);
        });
    }

    /** It is of the work that another title is of. */
    public function together(StaffMember $by, Title $title, Title $other, DateTimeImmutable $now): void
    {
        $this->say($by, $title, $now, function (Title $title) use ($other): void {
            $work = Work::query()->findOrFail(Title::query()->findOrFail($other->id)->work_id);
            $title->update(['work_said' => $work->match_key, 'work_id' => $work->id]);
        });
    }

    public function asRecordSays(StaffMember $by, Title $title, DateTimeImmutable $now): void
    {
        $this->say($by, $title, $now, function (Title $title) use ($now): void {
            $title->update(['work_said' => null]);
            $this->saveRecord->again($title, $now);
        });
    }

    /** @return list<string> names of the other titles of its work, with their formats */
    public static function others(Title $title): array
    {
        return array_values(
            Title::query()
                ->where('work_id', $title->work_id)
                ->whereKeyNot($title->id)
                ->orderBy('id')
                ->limit(self::NAMED)
                ->get()
                ->map(fn(Title $of): string => "“{$of->name}” ({$of->format->value})")
                ->all(),
        );
    }

    /** @param  callable(Title): void  $write */
    private function say(StaffMember $by, Title $title, DateTimeImmutable $now, callable $write): void
    {
        DB::transaction(function () use ($by, $title, $now, $write): void {
            $this->saveRecord->alone($title->record_key);
            $title = Title::query()->findOrFail($title->id);
            $before = self::others($title);
            $write($title);
            $after = self::others($title->refresh());
            if ($before !== $after) {
                $facts = ['work' => [implode(', ', $before) ?: '–', implode(', ', $after) ?: '–']];
                ($this->recordChange)($by, ChangeKind::WorkChanged, "“{$title->name}”", $facts, $now);
            }
        });
    }
}

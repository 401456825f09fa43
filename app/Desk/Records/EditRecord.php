<?php

declare(strict_types=1);

namespace App\Desk\Records;

use App\Catalogue\Records\RecordOfTitle;
use App\Catalogue\Records\SaveRecord;
use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Models\StaffMember;
use App\Models\Title;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\RecordText;
use Illuminate\Support\Facades\DB;

/** Changes the record of a title, and brings back what it was. */
final class EditRecord
{
    /** Of a text in the audit trail. */
    private const SHORT = 80;

    public function __construct(private readonly SaveRecord $saveRecord, private readonly RecordChange $recordChange) {}

    /**
     * @param  array<string, string>  $seen  the fields as who edits saw them
     * @param  array<string, string>  $texts  the fields as they are to be
     * @return list<string> those that somebody else has changed meanwhile, too: nothing is changed then; of the others
     *     each has its own
     */
    public function __invoke(StaffMember $by, Title $title, array $seen, array $texts, DateTimeImmutable $now): array
    {
        return DB::transaction(function () use ($by, $title, $seen, $texts, $now): array {
            [$title, $record] = $this->lock($title);
            $is = RecordText::of($record);
            // What they did not touch stays as it is now, whoever has changed it.
            $wanted = array_filter(
                $texts,
                fn(string $text, string $of): bool => self::same($text) !== self::same($seen[$of] ?? ''),
                ARRAY_FILTER_USE_BOTH,
            );
            $crossed = array_values(
                array_filter(
                    array_keys($wanted),
                    fn(string $of): bool => self::same($is[$of]) !== self::same($seen[$of] ?? '') &&
                        self::same($is[$of]) !== self::same($wanted[$of]),
                ),
            );
            if ($crossed === []) {
                $this->write(
                    by: $by,
                    title: $title,
                    record: $record,
                    wanted: $wanted,
                    what: ChangeKind::RecordChanged,
                    now: $now,
                );
            }

            return $crossed;
        });
    }

    /** @return bool false where it is not as that change left it */
    public function undo(StaffMember $by, Title $title, int $changeId, DateTimeImmutable $now): bool
    {
        return DB::transaction(function () use ($by, $title, $changeId, $now): bool {
            [$title, $record] = $this->lock($title);
            $change = DB::table('record_changes')
                ->where('title_id', $title->id)
                ->where('id', $changeId)
                ->where('undone', false)
                ->first();
            if ($change === null) {
                return false;
            }
            /** @var array<string, string> $after */
            $after = json_decode($change->after, true);
            $is = RecordText::of($record);
            if (array_intersect_key($is, $after) != $after) {
                return false;
            }
            DB::table('record_changes')
                ->where('id', $change->id)
                ->update(['undone' => true]);
            /** @var array<string, string> $before */
            $before = json_decode($change->before, true);
            $this->write(
                by: $by,
                title: $title,
                record: $record,
                wanted: $before,
                what: ChangeKind::RecordUndone,
                now: $now,
                keep: false,
            );

            return true;
        });
    }

    /** @return array{Title, Record} as they are now, and nobody changes them meanwhile */
    private function lock(Title $title): array
    {
        $this->saveRecord->alone($title->record_key);
        $title = Title::query()->findOrFail($title->id);

        return [$title, RecordOfTitle::of($title)];
    }

    /** @param  array<string, string>  $wanted */
    private function write(
        StaffMember $by,
        Title $title,
        Record $record,
        array $wanted,
        ChangeKind $what,
        DateTimeImmutable $now,
        bool $keep = true,
    ): void {
        $was = RecordText::of($record);
        [$new] = RecordText::with($record, $wanted);
        $is = RecordText::of($new);
        $changed = array_keys(array_diff_assoc($is, $was));
        if ($changed === []) {
            return;
        }
        $edited = $title->edited_fields ?? [];
        $edited = $keep
            ? array_values(array_unique([...$edited, ...$changed]))
            : array_values(array_diff($edited, $changed));
        $this->saveRecord->byStaff($new, $edited, $now);
        // As it is read the next time: subjects have their own order, and names their form.
        $is = RecordText::of(RecordOfTitle::of(Title::query()->findOrFail($title->id)));
        $changed = array_keys(array_diff_assoc($is, $was));
        if ($changed === []) {
            return;
        }
        $of = fn(array $texts): array => array_intersect_key($texts, array_flip($changed));
        if ($keep) {
            DB::table('record_changes')->insert([
                'title_id' => $title->id,
                'library_id' => $by->library_id,
                'staff_member_id' => $by->id,
                'before' => json_encode($of($was), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
                'after' => json_encode($of($is), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
                'changed_at' => Sql::second($now),
            ]);
        }
        $facts = [];
        foreach ($changed as $field) {
            $facts["record_{$field}"] = [self::short($was[$field]), self::short($is[$field])];
        }
        ($this->recordChange)($by, $what, "“{$title->name}”", $facts, $now);
    }

    private static function short(string $text): string
    {
        $line = (string) preg_replace('/\s+/u', ' ', $text);

        return match (true) {
            $line === '' => '–',
            mb_strlen($line) > self::SHORT => mb_substr($line, 0, self::SHORT) . '…',
            default => $line,
        };
    }

    /** Browsers send lines with carriage returns. */
    private static function same(string $text): string
    {
        return trim(str_replace("\r\n", "\n", $text));
    }
}

<?php

declare(strict_types=1);

namespace App\Catalogue\Records;

use App\Models\Contributor;
use App\Models\Series;
use App\Models\Subject;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\SearchWords;
use Illuminate\Support\Facades\DB;

/**
 * People, series and subjects by their names. What an entry was called before, and what was made one with it, are forms
 * of its name from then on: a record that names it so is understood, wherever it comes from.
 */
final class ArrangeEntries
{
    public const LONGEST = 255;

    /**
     * The records with each entry by the name that it has here.
     *
     * @param  list<Record>  $records
     * @return list<Record>
     */
    public function understood(array $records): array
    {
        $short = fn(string $name): string => mb_substr($name, 0, self::LONGEST);
        $named = [];
        foreach ($records as $record) {
            $all = [...array_column($record->contributors, 'name'), (string) $record->series, ...$record->subjects];
            foreach ($all as $name) {
                $named[$short($name)] = true;
            }
        }
        $names = [];
        foreach (EntryKind::cases() as $kind) {
            $forms = DB::table('name_forms')
                ->join($kind->query()->getModel()->getTable() . ' as entry', 'entry.id', '=', 'entry_id')
                ->where('kind', $kind->value)
                ->whereRaw('form in (select jsonb_array_elements_text(?))', [
                    json_encode(array_map(strval(...), array_keys($named)), JSON_THROW_ON_ERROR),
                ])
                ->pluck('name', 'form');
            foreach ($forms as $form => $name) {
                $names[$kind->value][$form] = $name;
            }
        }

        return $names === []
            ? $records
            : array_map(
                fn(Record $record): Record => $record->renamed(
                    fn(string $kind, string $of): string => $names[$kind][$short($of)] ?? $of,
                ),
                $records,
            );
    }

    /**
     * @param  array<string, string>  $also  columns of one that is new
     * @return int the number of the one of the name; made, and made findable, where there is none
     */
    public function named(EntryKind $kind, string $name, array $also = []): int
    {
        $name = mb_substr($name, 0, self::LONGEST);
        $named = $kind->query()->firstOrCreate(['name' => $name], $also);
        $named->wasRecentlyCreated && $this->makeFindable($kind, $named);

        return $named->id;
    }

    /**
     * @param  string|null  $sortName  of a person
     * @return bool false where another entry has that name already
     */
    public function rename(EntryKind $kind, int $entry, string $name, ?string $sortName): bool
    {
        return DB::transaction(function () use ($kind, $entry, $name, $sortName): bool {
            $named = $kind->query()->lockForUpdate()->findOrFail($entry);
            if ($kind->query()->where('name', $name)->whereKeyNot($entry)->exists()) {
                return false;
            }
            $was = $named->name;
            $named->update(['name' => $name] + ($sortName === null ? [] : ['sort_name' => $sortName]));
            $this->makeFindable($kind, $named);
            $this->form($kind, $was, $entry);
            $this->forget($kind, $name);

            return true;
        });
    }

    /** The name is a form of the entry's from now on; what were forms of another by that name, too. */
    public function form(EntryKind $kind, string $form, int $entry): void
    {
        DB::table('name_forms')->upsert(
            ['kind' => $kind->value, 'form' => $form, 'entry_id' => $entry],
            ['kind', 'form'],
            ['entry_id'],
        );
    }

    public function forget(EntryKind $kind, string $form): void
    {
        DB::table('name_forms')
            ->where(['kind' => $kind->value, 'form' => $form])
            ->delete();
    }

    /** @return list<string> other forms of its name */
    public function forms(EntryKind $kind, int $entry): array
    {
        return array_values(
            DB::table('name_forms')
                ->where(['kind' => $kind->value, 'entry_id' => $entry])
                ->orderBy('form')
                ->pluck('form')
                ->all(),
        );
    }

    /** Forms of the one are forms of the other. */
    public function moveForms(EntryKind $kind, int $from, int $to): void
    {
        DB::table('name_forms')
            ->where(['kind' => $kind->value, 'entry_id' => $from])
            ->update(['entry_id' => $to]);
    }

    /** @return bool false where a record names it, and it stays */
    public function remove(EntryKind $kind, int $entry): bool
    {
        return !$kind->titles($entry)->exists() && $kind->query()->whereKey($entry)->delete() === 1;
    }

    private function makeFindable(EntryKind $kind, Contributor|Series|Subject $named): void
    {
        // In every form: a name says no language.
        $folded = SearchWords::fold($named->name);
        DB::update(
            "update {$named->getTable()} set words = to_tsvector('fig_exact', ?) || to_tsvector('fig_en',
                ?) || to_tsvector('fig_es', ?) where id = ?",
            [$folded, $folded, $folded, $named->id],
        );
    }
}

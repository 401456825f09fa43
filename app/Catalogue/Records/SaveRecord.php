<?php

declare(strict_types=1);

namespace App\Catalogue\Records;

use App\Models\Title;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\AgeRange;
use FigPorch\Core\Catalogue\Genre;
use FigPorch\Core\Catalogue\Identifier;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\RecordText;
use FigPorch\Core\Catalogue\SearchWords;
use Illuminate\Support\Facades\DB;

/** Writes a catalogue record and makes it findable, or brings the title of the same key up to date. */
final class SaveRecord
{
    /** Between names, as search_stems knows it. */
    private const APART = '0apart0';

    /** Of the words that spelling knows, in letters. */
    private const SHORTEST_WORD = 4;

    private const LONGEST_WORD = 40;

    public function __construct(private readonly ArrangeEntries $entries) {}

    public function __invoke(Record $record, DateTimeImmutable $now): Title
    {
        return Title::query()->findOrFail($this->all([$record], $now)[$record->key]);
    }

    /**
     * Many of them in one transaction, as one alone is written.
     *
     * @param  list<Record>  $records  each of another key
     * @return array<string, int> numbers of their titles, by key
     */
    public function all(array $records, DateTimeImmutable $now): array
    {
        return DB::transaction(function () use ($records, $now): array {
            $this->alone(...array_map(fn(Record $of): string => $of->key, $records));

            return $this->save($this->withWordOfStaff($records), $now);
        });
    }

    /**
     * As staff say it: their word stands from then on in the fields that they changed.
     *
     * @param  list<string>  $edited  fields of RecordText
     */
    public function byStaff(Record $record, array $edited, DateTimeImmutable $now): Title
    {
        return DB::transaction(function () use ($record, $edited, $now): Title {
            $this->alone($record->key);
            $title = Title::query()->findOrFail($this->save([$record], $now)[$record->key]);
            $title->update(['edited_fields' => $edited === [] ? null : $edited]);

            return $title;
        });
    }

    /** As it is kept, with the names that its entries have now: found by them, and of their work. */
    public function again(Title $title, DateTimeImmutable $now): Title
    {
        return DB::transaction(function () use ($title, $now): Title {
            $this->alone($title->record_key);
            $this->save([RecordOfTitle::of(Title::query()->findOrFail($title->id))], $now);

            return Title::query()->findOrFail($title->id);
        });
    }

    /** One at a time for each title, new or known; until the end of the transaction. */
    public function alone(string ...$keys): void
    {
        // In order, so that two who take many do not wait for each other in a circle.
        DB::select(
            'select pg_advisory_xact_lock(lock) from (select distinct hashtextextended(key, 6) as lock
                from jsonb_array_elements_text(?) key order by 1) locks',
            [json_encode(array_values($keys), JSON_THROW_ON_ERROR)],
        );
    }

    /**
     * @param  list<Record>  $records
     * @return list<Record>
     */
    private function withWordOfStaff(array $records): array
    {
        $edited = Title::query()
            ->whereIn('record_key', array_map(fn(Record $of): string => $of->key, $records))
            ->whereNotNull('edited_fields')
            ->get()
            ->keyBy('record_key');

        return array_map(function (Record $of) use ($edited): Record {
            $title = $edited[$of->key] ?? null;

            return $title === null
                ? $of
                : RecordText::with(
                    $of,
                    array_intersect_key(
                        RecordText::of(RecordOfTitle::of($title)),
                        array_flip($title->edited_fields ?? []),
                    ),
                )[0];
        }, $records);
    }

    /**
     * @param  list<Record>  $records  each of another key
     * @return array<string, int> numbers of their titles, by key
     */
    private function save(array $records, DateTimeImmutable $now): array
    {
        $rows = array_map(self::row(...), $this->entries->understood($records));

        return array_column(
            DB::select('select * from records_save(?, ?)', [
                json_encode($rows, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
                Sql::second($now),
            ]),
            'id',
            'key',
        );
    }

    /** @return array<string, mixed> as records_save takes it */
    private static function row(Record $record): array
    {
        $entry = fn(string $name): array => [
            'name' => mb_substr($name, 0, ArrangeEntries::LONGEST),
            'folded' => SearchWords::fold(mb_substr($name, 0, ArrangeEntries::LONGEST)),
        ];
        $texts = self::texts($record);
        $ages = $record->ages ?? AgeRange::of($record->audience);

        return [
            'work_key' => $record->workKey(),
            'record_key' => $record->key,
            'format' => $record->format->value,
            'name' => $record->name,
            'subtitle' => $record->subtitle,
            'edition' => $record->edition,
            'language' => $record->language,
            'audience' => $record->audience->value,
            'description' => $record->description,
            'publisher' => $record->publisher,
            'published' => $record->published,
            'isbn' => $record->isbn()?->thirteen,
            'identifiers' => $record->identifiers,
            'numbers' => array_map(fn(Identifier $of): string => $of->number, $record->numbers()),
            'series' => $record->series === null ? null : $entry($record->series),
            'series_position' => $record->seriesPosition,
            'extent' => $record->extent,
            'extent_seconds' => $record->seconds,
            'accessibility' => (object) $record->accessibility,
            'awards' => $record->awards,
            'works' => $record->works,
            'level' => $record->level,
            'fiction' => Genre::isFiction($record->subjects),
            'age_from' => $record->ages?->from,
            'age_to' => $record->ages?->to,
            'people' => array_map(
                fn(array $of): array => [...$entry($of['name']), 'sort' => $of['sort'], 'role' => $of['role']],
                $record->contributors,
            ),
            'subjects' => array_map($entry, $record->subjects),
            'stemmed' => strtolower(strtok((string) $record->language, '-') ?: ''),
            'texts' => $texts,
            'for_from' => $ages->from,
            'for_to' => $ages->to,
            'words' => array_values(
                array_unique(
                    array_filter(
                        explode(' ', implode(' ', array_slice($texts, 0, 3))),
                        fn(string $word): bool => mb_strlen($word) >= self::SHORTEST_WORD &&
                            mb_strlen($word) <= self::LONGEST_WORD &&
                            $word !== self::APART,
                    ),
                ),
            ),
        ];
    }

    /** @return list<string> title above people, people above series and subject, all above the description */
    private static function texts(Record $record): array
    {
        $numbers = array_map(
            fn(Identifier $number): array => array_unique([$number->number, $number->written]),
            $record->numbers(),
        );

        return array_map(
            fn(array $names): string => implode(
                ' ',
                array_map(fn(?string $name): string => SearchWords::fold((string) $name) . ' ' . self::APART, $names),
            ),
            [
                [$record->name, $record->subtitle],
                array_column($record->contributors, 'name'),
                [
                    $record->series,
                    $record->publisher,
                    ...$record->awards,
                    ...$record->subjects,
                    ...array_merge(...$numbers),
                ],
                [$record->description],
            ],
        );
    }
}

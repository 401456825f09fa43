<?php

declare(strict_types=1);

namespace App\Catalogue\Records;

use App\Models\Title;
use App\Models\Work;
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

    public function __construct(private readonly ArrangeEntries $entries) {}

    public function __invoke(Record $record, DateTimeImmutable $now): Title
    {
        return DB::transaction(function () use ($record, $now): Title {
            $this->alone($record->key);

            return $this->save($this->withWordOfStaff($record), $now);
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
            $title = $this->save($record, $now);
            $title->update(['edited_fields' => $edited === [] ? null : $edited]);

            return $title;
        });
    }

    /** As it is kept, with the names that its entries have now: found by them, and of their work. */
    public function again(Title $title, DateTimeImmutable $now): Title
    {
        return DB::transaction(function () use ($title, $now): Title {
            $this->alone($title->record_key);

            return $this->save(RecordOfTitle::of(Title::query()->findOrFail($title->id)), $now);
        });
    }

    /** One at a time for each title, new or known; until the end of the transaction. */
    public function alone(string $key): void
    {
        DB::select('select pg_advisory_xact_lock(hashtextextended(?, 6))', [$key]);
    }

    private function withWordOfStaff(Record $record): Record
    {
        $known = Title::query()->where('record_key', $record->key)->whereNotNull('edited_fields')->first();
        if ($known === null) {
            return $record;
        }
        $texts = array_intersect_key(
            RecordText::of(RecordOfTitle::of($known)),
            array_flip($known->edited_fields ?? []),
        );

        return RecordText::with($record, $texts)[0];
    }

    private function save(Record $record, DateTimeImmutable $now): Title
    {
        $record = $this->entries->understood($record);

        return DB::transaction(function () use ($record, $now): Title {
            $work = Work::query()->firstOrCreate(['match_key' => $record->workKey()], ['name' => $record->name]);
            $title = Title::query()->firstOrNew(['record_key' => $record->key], ['added_at' => $now]);
            $title
                ->fill([
                    'work_id' => $work->id,
                    'format' => $record->format,
                    'name' => $record->name,
                    'subtitle' => $record->subtitle,
                    'edition' => $record->edition,
                    'language' => $record->language,
                    'audience' => $record->audience,
                    'description' => $record->description,
                    'publisher' => $record->publisher,
                    'published' => $record->published,
                    'isbn' => $record->isbn()?->thirteen,
                    'identifiers' => $record->identifiers,
                    'numbers' =>
                        '{' .
                        implode(',', array_map(fn(Identifier $number): string => $number->number, $record->numbers())) .
                        '}',
                    'series_id' =>
                        $record->series === null ? null : $this->entries->named(EntryKind::Series, $record->series),
                    'series_position' => $record->seriesPosition,
                    'extent' => $record->extent,
                    'extent_seconds' => $record->seconds,
                    'accessibility' => $record->accessibility,
                    'awards' => $record->awards,
                    'level' => $record->level,
                    'fiction' => Genre::isFiction($record->subjects),
                    'age_from' => $record->ages?->from,
                    'age_to' => $record->ages?->to,
                ])
                ->save();

            $this->saveContributors($title, $record);
            $title
                ->subjects()
                ->sync(
                    array_map(
                        fn(string $name): int => $this->entries->named(EntryKind::Subject, $name),
                        $record->subjects,
                    ),
                );
            $this->makeFindable($title, $record);

            return $title;
        });
    }

    private function saveContributors(Title $title, Record $record): void
    {
        DB::table('contributor_title')->where('title_id', $title->id)->delete();
        foreach ($record->contributors as $position => $contributor) {
            $person = $this->entries->named(EntryKind::Person, $contributor['name'], [
                'sort_name' => $contributor['sort'],
            ]);
            DB::table('contributor_title')->insertOrIgnore([
                'title_id' => $title->id,
                'contributor_id' => $person,
                'role' => $contributor['role'],
                'position' => $position,
            ]);
        }
    }

    /** Title above people, people above series and subject, all above the description. */
    private function makeFindable(Title $title, Record $record): void
    {
        $language = strtolower(strtok((string) $record->language, '-') ?: '');
        $weighted = [
            'A' => [$record->name, $record->subtitle],
            'B' => array_column($record->contributors, 'name'),
            'C' => [
                $record->series,
                $record->publisher,
                ...$record->awards,
                ...$record->subjects,
                ...array_merge(
                    ...array_map(
                        fn(Identifier $number): array => array_unique([$number->number, $number->written]),
                        $record->numbers(),
                    ),
                ),
            ],
            'D' => [$record->description],
        ];
        $texts = array_map(
            fn(array $names): string => implode(
                ' ',
                array_map(fn(?string $name): string => SearchWords::fold((string) $name) . ' ' . self::APART, $names),
            ),
            array_values($weighted),
        );
        $ages = $record->ages ?? AgeRange::of($record->audience);
        DB::statement(
            'insert into search_rows (title_id, format, audience, language, year, level, series_id, times_borrowed,
                added_at, fiction, age_from, age_to, publisher, awards, subjects, stems,
                exact) values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, array(select jsonb_array_elements_text(?)),
                    array(select subject_id::int from subject_title
                    where title_id = ?), search_stems(?, ?, ?, ?, ?), search_exact(?, ?, ?, ?))
                on conflict (title_id) do update set format = excluded.format, audience = excluded.audience,
                    language = excluded.language, year = excluded.year, level = excluded.level,
                    series_id = excluded.series_id, times_borrowed = excluded.times_borrowed,
                    added_at = excluded.added_at, fiction = excluded.fiction, age_from = excluded.age_from,
                    age_to = excluded.age_to, publisher = excluded.publisher, awards = excluded.awards,
                    subjects = excluded.subjects, stems = excluded.stems, exact = excluded.exact',
            [
                $title->id,
                $record->format->value,
                $record->audience->value,
                $language === '' ? null : substr($language, 0, 8),
                $title->year(),
                $record->level,
                $title->series_id,
                $title->times_borrowed ?? 0,
                Sql::timestamp($title->added_at),
                match ($title->fiction) {
                    true => 't',
                    false => 'f',
                    null => null,
                },
                $ages->from,
                $ages->to,
                trim((string) $title->publisher) ?: null,
                json_encode($record->awards, JSON_THROW_ON_ERROR),
                $title->id,
                $language,
                ...$texts,
                ...$texts,
            ],
        );
        // In order, so that two records saved at once do not wait for each other in a circle.
        $words = array_values(
            array_unique(
                array_filter(
                    explode(' ', implode(' ', array_slice($texts, 0, 3))),
                    fn(string $word): bool => mb_strlen($word) >= 4 && mb_strlen($word) <= 40 && $word !== self::APART,
                ),
            ),
        );
        sort($words);
        DB::statement(
            'insert into search_words (word) select unnest(?::text[]) on conflict (word) do update
                set titles = search_words.titles + 1',
            [$words === [] ? '{}' : '{"' . implode('","', $words) . '"}'],
        );
    }
}

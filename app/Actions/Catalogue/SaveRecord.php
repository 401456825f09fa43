<?php

declare(strict_types=1);

namespace App\Actions\Catalogue;

use App\Models\Contributor;
use App\Models\Series;
use App\Models\Subject;
use App\Models\Title;
use App\Models\Work;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\SearchWords;
use Illuminate\Support\Facades\DB;

/** Writes a catalogue record and makes it findable, or brings the title of the same key up to date. */
final class SaveRecord
{
    public function __invoke(Record $record, DateTimeImmutable $now): Title
    {
        return DB::transaction(function () use ($record, $now): Title {
            $work = Work::query()->firstOrCreate(['match_key' => $record->workKey()], ['name' => mb_substr($record->name, 0, 500)]);
            $title = Title::query()->firstOrNew(['record_key' => $record->key], ['added_at' => $now]);
            $title->fill([
                'work_id' => $work->id,
                'format' => $record->format,
                'name' => mb_substr($record->name, 0, 500),
                'subtitle' => $record->subtitle === null ? null : mb_substr($record->subtitle, 0, 500),
                'edition' => $record->edition,
                'language' => $record->language === null ? null : mb_substr($record->language, 0, 16),
                'audience' => $record->audience,
                'description' => $record->description,
                'publisher' => $record->publisher === null ? null : mb_substr($record->publisher, 0, 255),
                'published' => $record->published,
                'isbn' => $record->isbn()?->thirteen,
                'identifiers' => $record->identifiers,
                'series_id' => $record->series === null ? null : Series::query()->firstOrCreate(['name' => mb_substr($record->series, 0, 255)])->id,
                'series_position' => $record->seriesPosition,
                'extent' => $record->extent,
                'extent_seconds' => $record->seconds,
                'accessibility' => $record->accessibility,
            ])->save();

            $this->saveContributors($title, $record);
            $title->subjects()->sync(array_map(
                fn (string $name): int => Subject::query()->firstOrCreate(['name' => mb_substr($name, 0, 255)])->id,
                $record->subjects,
            ));
            $this->makeFindable($title, $record);

            return $title;
        });
    }

    private function saveContributors(Title $title, Record $record): void
    {
        DB::table('contributor_title')->where('title_id', $title->id)->delete();
        foreach ($record->contributors as $position => $contributor) {
            $person = Contributor::query()->firstOrCreate(
                ['name' => mb_substr($contributor['name'], 0, 255)],
                ['sort_name' => mb_substr($contributor['sort'], 0, 255)],
            );
            DB::table('contributor_title')->insertOrIgnore([
                'title_id' => $title->id, 'contributor_id' => $person->id, 'role' => $contributor['role'], 'position' => $position,
            ]);
        }
    }

    /** Title above people, people above series and subject, all above the description. */
    private function makeFindable(Title $title, Record $record): void
    {
        $weighted = [
            'A' => "{$record->name} {$record->subtitle}",
            'B' => implode(' ', array_column($record->contributors, 'name')),
            'C' => implode(' ', [$record->series, $record->publisher, $record->isbn()?->thirteen, ...$record->subjects]),
            'D' => (string) $record->description,
        ];
        $parts = array_fill(0, count($weighted), "setweight(to_tsvector('simple', ?), ?::\"char\")");
        $bindings = [];
        foreach ($weighted as $weight => $text) {
            array_push($bindings, SearchWords::index($text), $weight);
        }
        DB::update('update titles set words = '.implode(' || ', $parts).' where id = ?', [...$bindings, $title->id]);
    }
}

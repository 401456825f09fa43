<?php

declare(strict_types=1);

namespace App\Catalogue\Records;

use App\Models\Contributor;
use App\Models\Series;
use App\Models\Subject;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Query\Builder as Query;
use Illuminate\Support\Facades\DB;

/** What records name as an entry of its own: a person, a series, a subject. */
enum EntryKind: string
{
    case Person = 'person';
    case Series = 'series';
    case Subject = 'subject';

    /** @return class-string<Contributor|Series|Subject> */
    public function model(): string
    {
        return match ($this) {
            self::Person => Contributor::class,
            self::Series => Series::class,
            self::Subject => Subject::class,
        };
    }

    /** @return Builder<Contributor>|Builder<Series>|Builder<Subject> */
    public function query(): Builder
    {
        return $this->model()::query();
    }

    /** The field of RecordText in which records name it. */
    public function field(): string
    {
        return match ($this) {
            self::Person => 'contributors',
            self::Series => 'series',
            self::Subject => 'subjects',
        };
    }

    /** @return Query the titles that name it, by title_id */
    public function titles(int $entry): Query
    {
        return match ($this) {
            self::Person => DB::table('contributor_title')
                ->where('contributor_id', $entry)
                ->select('title_id')
                ->distinct(),
            self::Series => DB::table('search_rows')->where('series_id', $entry)->select('title_id'),
            self::Subject => DB::table('subject_title')->where('subject_id', $entry)->select('title_id'),
        };
    }
}

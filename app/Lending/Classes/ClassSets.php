<?php

declare(strict_types=1);

namespace App\Lending\Classes;

use App\Lending\Licences\UsableLicences;
use App\Lending\LoanRules\LibraryRules;
use App\Lending\Waits\LibraryHabits;
use App\Models\ClassSet;
use App\Models\Library;
use App\Models\Person;
use App\Models\SchoolClass;
use App\Models\Title;
use DateTimeImmutable;
use FigPorch\Core\Lending\ClassSetCapacity;
use FigPorch\Core\Lending\Forecast\Forecast;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/** What classes have been given, and whether it can hold. */
final class ClassSets
{
    public function __construct(
        private readonly UsableLicences $licences,
        private readonly LibraryHabits $habits,
        private readonly LibraryRules $rules,
    ) {}

    /**
     * For a pupil, those of today and of the days after, the next to end first.
     *
     * @return Collection<int, ClassSet>
     */
    public function for(Person $person, DateTimeImmutable $now): Collection
    {
        return ClassSet::query()
            ->with(['title.contributors', 'schoolClass.library'])
            ->whereHas('schoolClass.members', fn($members) => $members->where('cards.person_id', $person->id))
            ->whereRaw(
                'last_day >= (?::timestamptz at time zone (select l.timezone from libraries l
                    join classes c on c.library_id = l.id where c.id = class_sets.class_id))::date',
                [$now->format(DATE_ATOM)],
            )
            ->orderBy('last_day')
            ->orderBy('id')
            ->limit(12)
            ->get();
    }

    public function capacity(SchoolClass $class, Title $title, string $first, string $last): ClassSetCapacity
    {
        $library = $class->library;
        $from = new DateTimeImmutable("{$first} 00:00", $library->zone());
        $forecast = new Forecast(
            $this->habits->library($library->id, $title->format),
            $this->rules->slowest($library->id, $title->format)[1],
        );

        return ClassSetCapacity::of(
            pupils: $class->members()->count(),
            licences: $this->licences->of($library->id, [$title->id], $from)[$title->id],
            waiting: $this->waiting($library, $title),
            cycleDays: $forecast->cycle(),
            from: $from,
            to: new DateTimeImmutable("{$last} 23:59:59", $library->zone()),
        );
    }

    /** @return int|null cents that a copy cost the library last: of this title, else the middle one of its format */
    public function priceOfACopy(Library $library, Title $title): ?int
    {
        $cents = DB::scalar(
            "select coalesce((select price_cents / copies from licences where library_id = :library and title_id = :title
                    and model = 'one_copy_one_user' and price_cents > 0 order by starts_at desc limit 1),
                (select percentile_disc(0.5) within group (order by li.price_cents / li.copies) from licences li
                    join titles t on t.id = li.title_id where li.library_id = :library and t.format = :format
                    and li.model = 'one_copy_one_user' and li.price_cents > 0))",
            ['library' => $library->id, 'title' => $title->id, 'format' => $title->format->value],
        );

        return $cents === null ? null : (int) $cents;
    }

    /** @return list<string> classes that the library's file of patrons names */
    public function namesFromFile(Library $library): array
    {
        $rows = DB::select(
            "select distinct class from cards where library_id = ? and class is not null and class <> '' order by 1
                limit 500",
            [$library->id],
        );

        return array_column($rows, 'class');
    }

    private function waiting(Library $library, Title $title): int
    {
        return DB::table('holds')
            ->where('library_id', $library->id)
            ->where('title_id', $title->id)
            ->whereNull('closed_at')
            ->where('state', '<>', 'ready')
            ->count();
    }
}

<?php

declare(strict_types=1);

namespace App\Lending\Classes;

use App\Lending\Licences\UsableLicences;
use App\Lending\LoanRules\LibraryRules;
use App\Lending\Waits\LibraryHabits;
use App\Models\Card;
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
        return $this->capacities($class, [$title], $first, $last)[$title->id];
    }

    /**
     * @param  iterable<Title>  $titles
     * @return array<int, ClassSetCapacity> by title
     */
    public function capacities(SchoolClass $class, iterable $titles, string $first, string $last): array
    {
        $library = $class->library;
        $from = new DateTimeImmutable("{$first} 00:00", $library->zone());
        $to = new DateTimeImmutable("{$last} 23:59:59", $library->zone());
        $titles = Collection::make($titles)->keyBy('id');
        $ids = array_values($titles->modelKeys());
        $licences = $this->licences->of($library->id, $ids, $from);
        $waiting = $this->waiting($library, $ids);
        $pupils = $class->members()->count();
        $cycles = [];
        $capacities = [];
        foreach ($titles as $title) {
            $cycles[$title->format->value] ??= (new Forecast(
                $this->habits->library($library->id, $title->format),
                $this->rules->slowest($library->id, $title->format)[1],
            ))->cycle();
            $capacities[$title->id] = ClassSetCapacity::of(
                pupils: $pupils,
                licences: $licences[$title->id],
                waiting: $waiting[$title->id] ?? 0,
                cycleDays: $cycles[$title->format->value],
                from: $from,
                to: $to,
            );
        }

        return $capacities;
    }

    /** @return int|null cents that a copy cost the library last: of this title, else the middle one of its format */
    public function priceOfACopy(Library $library, Title $title): ?int
    {
        $cents = DB::scalar(
            "select coalesce((select price_cents / copies from licences
                    where library_id = :library and title_id = :title and model = 'one_copy_one_user'
                    and price_cents > 0 order by starts_at desc limit 1),
                (select percentile_disc(0.5) within group (order by li.price_cents / li.copies) from licences li
                    join titles t on t.id = li.title_id where li.library_id = :library and t.format = :format
                    and li.model = 'one_copy_one_user' and li.price_cents > 0))",
            ['library' => $library->id, 'title' => $title->id, 'format' => $title->format->value],
        );

        return $cents === null ? null : (int) $cents;
    }

    /** @return Collection<int, SchoolClass> with their libraries and numbers of pupils */
    public function taughtBy(Person $person): Collection
    {
        return SchoolClass::query()
            ->whereIn('card_id', array_map(fn(Card $card): int => $card->id, Teachers::cards($person)))
            ->with('library')
            ->withCount('members')
            ->orderBy('name')
            ->get();
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

    /**
     * @param  list<int>  $titles
     * @return array<int, int> by title
     */
    private function waiting(Library $library, array $titles): array
    {
        return DB::table('holds')
            ->where('library_id', $library->id)
            ->whereIn('title_id', $titles)
            ->whereNull('closed_at')
            ->where('state', '<>', 'ready')
            ->groupBy('title_id')
            ->selectRaw('title_id, count(*)::int n')
            ->pluck('n', 'title_id')
            ->all();
    }
}

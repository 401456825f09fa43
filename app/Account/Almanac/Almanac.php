<?php

declare(strict_types=1);

namespace App\Account\Almanac;

use App\Models\AlmanacTitle;
use App\Models\Person;
use DateTimeImmutable;
use DateTimeZone;
use FigPorch\Core\Account\ReadingDays;
use Illuminate\Contracts\Pagination\LengthAwarePaginator;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** A person's own record of reading. */
final class Almanac
{
    private const PAGE = 50;

    /** @return ReadingDays from a day of theirs on */
    public function days(Person $person, DateTimeImmutable $from, DateTimeZone $zone): ReadingDays
    {
        /** @var list<stdClass> $rows */
        $rows = DB::select(
            'select begins, ends, seconds from readings where person_id = ? and ends >= ? order by begins',
            [$person->id, $from->format('c')],
        );

        return ReadingDays::of(
            array_map(
                fn(stdClass $row): array => [
                    new DateTimeImmutable($row->begins),
                    new DateTimeImmutable($row->ends),
                    $row->seconds,
                ],
                $rows,
            ),
            $zone,
        );
    }

    public function pages(Person $person): int
    {
        return (int) DB::table('readings')->where('person_id', $person->id)->sum('pages');
    }

    /** @return int titles finished from a moment on */
    public function finishedSince(Person $person, DateTimeImmutable $from): int
    {
        return $this->query($person)->where('finished_at', '>=', $from)->count();
    }

    /** @return LengthAwarePaginator<int, AlmanacTitle> the last read first */
    public function titles(Person $person, string $words, bool $leftOut = false): LengthAwarePaginator
    {
        $like = '%' . addcslashes($words, '\\%_') . '%';

        return $this->query($person, $leftOut)
            ->when(
                $words !== '',
                fn(Builder $query): Builder => $query->where(
                    fn(Builder $of): Builder => $of
                        ->where('word', 'ilike', $like)
                        ->orWhereHas(
                            'title',
                            fn(Builder $title): Builder => $title
                                ->where('name', 'ilike', $like)
                                ->orWhereHas(
                                    'contributors',
                                    fn(Builder $by): Builder => $by->where('contributors.name', 'ilike', $like),
                                ),
                        ),
                ),
            )
            ->orderByDesc('last_at')
            ->orderByDesc('title_id')
            ->paginate(self::PAGE)
            ->withQueryString();
    }

    /**
     * @param  iterable<AlmanacTitle>  $titles
     * @return array<int, int> minutes by title
     */
    public function minutesOf(Person $person, iterable $titles): array
    {
        $ids = [];
        foreach ($titles as $title) {
            $ids[] = $title->title_id;
        }
        $seconds = DB::table('readings')
            ->where('person_id', $person->id)
            ->whereIn('title_id', $ids)
            ->groupBy('title_id')
            ->selectRaw('title_id, sum(seconds) as seconds')
            ->pluck('seconds', 'title_id');

        return $seconds->map(fn(int|string $of): int => (int) round((int) $of / 60))->all();
    }

    /** @return Builder<AlmanacTitle> */
    private function query(Person $person, bool $leftOut = false): Builder
    {
        return AlmanacTitle::query()
            ->with('title.contributors')
            ->where('person_id', $person->id)
            ->where('left_out', $leftOut);
    }
}

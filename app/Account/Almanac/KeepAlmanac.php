<?php

declare(strict_types=1);

namespace App\Account\Almanac;

use App\Models\Person;
use App\Shared\Sql;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What a person does with their own record. */
final class KeepAlmanac
{
    /** @param  array{minutes?: int, titles?: int}  $goals  minutes a day, titles a month */
    public function goals(Person $person, array $goals): void
    {
        $person->update(['goals' => $goals === [] ? null : $goals]);
    }

    /** @return bool false where it is not in their Almanac */
    public function judge(Person $person, int $titleId, ?int $stars, string $word): bool
    {
        return $this->of($person, $titleId, ['stars' => $stars, 'word' => $word]);
    }

    public function finish(Person $person, int $titleId, ?DateTimeImmutable $at): bool
    {
        return $this->of($person, $titleId, ['finished_at' => $at === null ? null : Sql::second($at)]);
    }

    /** What was recorded of it goes, and nothing more is recorded until it is taken in again. */
    public function leaveOut(Person $person, int $titleId, bool $out): bool
    {
        return DB::transaction(function () use ($person, $titleId, $out): bool {
            $known = $this->of($person, $titleId, [
                'left_out' => $out,
                ...$out ? ['stars' => null, 'word' => '', 'finished_at' => null] : [],
            ]);
            $out &&
                DB::table('readings')
                    ->where(['person_id' => $person->id, 'title_id' => $titleId])
                    ->delete();

            return $known;
        });
    }

    /** @param  string|null  $first  a day of theirs; null for all of it, with what they left out and their goals */
    public function clear(Person $person, ?string $first, ?string $last, DateTimeZone $zone): void
    {
        DB::transaction(function () use ($person, $first, $last, $zone): void {
            $titles = DB::table('almanac_titles')->where('person_id', $person->id);
            if ($first === null || $last === null) {
                DB::table('readings')->where('person_id', $person->id)->delete();
                $titles->delete();
                $person->update(['goals' => null]);

                return;
            }
            $from = new DateTimeImmutable($first, $zone);
            $to = (new DateTimeImmutable($last, $zone))->modify('+1 day');
            /** @var list<stdClass> $cut */
            $cut = DB::select('delete from readings where person_id = ? and begins < ? and ends > ? returning *', [
                $person->id,
                Sql::second($to),
                Sql::second($from),
            ]);
            foreach ($cut as $row) {
                // What reaches over an edge stays outside of it, with its share.
                $this->keepPart($row, new DateTimeImmutable($row->begins), $from);
                $this->keepPart($row, $to, new DateTimeImmutable($row->ends));
            }
            $titles
                ->whereBetween('last_at', [Sql::second($from), Sql::second($to)])
                ->whereNotExists(
                    fn($of) => $of
                        ->from('readings')
                        ->whereColumn('readings.person_id', 'almanac_titles.person_id')
                        ->whereColumn('readings.title_id', 'almanac_titles.title_id'),
                )
                ->delete();
        });
    }

    private function keepPart(stdClass $of, DateTimeImmutable $begins, DateTimeImmutable $ends): void
    {
        if ($ends <= $begins) {
            return;
        }
        $seconds = fn(DateTimeImmutable $a, DateTimeImmutable $b): float => (float) $b->format('U.u') -
            (float) $a->format('U.u');
        $whole = $seconds(new DateTimeImmutable($of->begins), new DateTimeImmutable($of->ends));
        $share = $seconds($begins, $ends) / $whole;
        DB::table('readings')->insert([
            'person_id' => $of->person_id,
            'title_id' => $of->title_id,
            'begins' => Sql::timestamp($begins),
            'ends' => Sql::timestamp($ends),
            'seconds' => (int) round($of->seconds * $share),
            'pages' => (int) round($of->pages * $share),
        ]);
    }

    /** @param  array<string, mixed>  $values */
    private function of(Person $person, int $titleId, array $values): bool
    {
        return DB::table('almanac_titles')
            ->where(['person_id' => $person->id, 'title_id' => $titleId])
            ->update($values) === 1;
    }
}

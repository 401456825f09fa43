<?php

declare(strict_types=1);

namespace App\Lending\Classes;

use App\Models\Card;
use App\Models\ClassSet;
use App\Models\SchoolClass;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Random\Randomizer;

/** Teachers make classes and sets for them; pupils join and leave. */
final class ArrangeClasses
{
    /** Letters and digits that nobody takes for one another when they are read out. */
    private const LETTERS = 'ABCDEFGHJKMNPQRTUVWXYZ346789';

    private const CODE_LENGTH = 8;

    public const MOST_SETS = 200;

    public function __construct(private readonly Randomizer $random) {}

    /**
     * @param  string|null  $fromFile  a class as the library's file of patrons names it, whose pupils are in at once
     */
    public function make(
        Card $teacher,
        string $name,
        string $endsOn,
        ?string $fromFile,
        CarbonImmutable $now,
    ): SchoolClass {
        return DB::transaction(function () use ($teacher, $name, $endsOn, $fromFile, $now): SchoolClass {
            $class = SchoolClass::query()->create([
                'card_id' => $teacher->id,
                'library_id' => $teacher->library_id,
                'name' => $name,
                'code' => $this->code(),
                'made_at' => $now,
                'ends_on' => $endsOn,
            ]);
            if ($fromFile !== null) {
                DB::insert(
                    'insert into class_members (class_id, card_id, joined_at) select ?, id, ? from cards
                        where library_id = ? and class = ? and patron_group <> ? and id <> ?',
                    [$class->id, $now, $teacher->library_id, $fromFile, Teachers::GROUP, $teacher->id],
                );
            }

            return $class;
        });
    }

    /**
     * @return SchoolClass|null null where no class of a library where the person has a card has this code, or it
     *     ended
     */
    public function join(string $code, int $personId, CarbonImmutable $now): ?SchoolClass
    {
        $class = SchoolClass::query()
            ->with('library')
            ->where('code', strtoupper((string) preg_replace('/[\s-]+/', '', $code)))
            ->first();
        if ($class === null || $class->ends_on < $now->setTimezone($class->library->zone())->format('Y-m-d')) {
            return null;
        }
        $card = Card::query()
            ->where(['library_id' => $class->library_id, 'person_id' => $personId])
            ->first();
        if ($card === null) {
            return null;
        }
        DB::table('class_members')->insertOrIgnore([
            'class_id' => $class->id,
            'card_id' => $card->id,
            'joined_at' => $now,
        ]);

        return $class;
    }

    public function leave(SchoolClass $class, int $personId): void
    {
        DB::delete(
            'delete from class_members m using cards c where c.id = m.card_id and m.class_id = ? and c.person_id = ?',
            [$class->id, $personId],
        );
    }

    public function remove(SchoolClass $class, Card $member): void
    {
        DB::table('class_members')
            ->where(['class_id' => $class->id, 'card_id' => $member->id])
            ->delete();
    }

    public function end(SchoolClass $class): void
    {
        $class->delete();
    }

    /**
     * @param  list<int>  $titles
     * @return bool false where the class would have more sets than it may have; nothing is given then
     */
    public function give(SchoolClass $class, array $titles, string $first, string $last, CarbonImmutable $now): bool
    {
        return DB::transaction(function () use ($class, $titles, $first, $last, $now): bool {
            SchoolClass::query()->lockForUpdate()->findOrFail($class->id);
            $others = $class
                ->sets()
                ->where(fn($of) => $of->where('first_day', '<>', $first)->orWhereNotIn('title_id', $titles));
            if ($others->count() + count($titles) > self::MOST_SETS) {
                return false;
            }
            // Given again from the same day, it is for other days.
            ClassSet::query()->upsert(
                array_map(
                    fn(int $title): array => [
                        'class_id' => $class->id,
                        'title_id' => $title,
                        'first_day' => $first,
                        'last_day' => $last,
                        'made_at' => $now,
                    ],
                    $titles,
                ),
                ['class_id', 'title_id', 'first_day'],
                ['last_day'],
            );

            return true;
        });
    }

    public function takeBack(ClassSet $set): void
    {
        $set->delete();
    }

    private function code(): string
    {
        do {
            $code = '';
            for ($n = 0; $n < self::CODE_LENGTH; $n++) {
                $code .= self::LETTERS[$this->random->getInt(0, strlen(self::LETTERS) - 1)];
            }
        } while (SchoolClass::query()->where('code', $code)->exists());

        return $code;
    }
}

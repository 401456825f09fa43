<?php

declare(strict_types=1);

namespace FigPorch\Demo;

use App\Models\Card;
use App\Models\Person;
use DateTimeInterface;
use Illuminate\Support\Facades\DB;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * Patrons in the background who keep their history: each likes a few subjects, and what was lent of these in the past
 * was lent to them where they could have had it. The rest of the past has no names, as that of patrons who keep no
 * history.
 */
final class Readers
{
    private const OF_EACH_LIBRARY = 24;

    private const SUBJECTS_LIKED = 4;

    private const AT_A_TIME = 5;

    /** Groups that borrow nothing for adults. */
    private const YOUNG = ['teen', 'student'];

    private readonly Randomizer $random;

    /** @var array<int, list<Card>> by library */
    private array $cards = [];

    /** @var array<int, list<int>> subjects, by card */
    private array $liked = [];

    /** @param  array<string, list<Card>>  $patrons  by library */
    public function __construct(array $patrons)
    {
        $this->random = new Randomizer(new Xoshiro256StarStar(11));
        $subjects = DB::table('subject_title')
            ->groupBy('subject_id')
            ->orderByRaw('count(*) desc, subject_id')
            ->limit(12)
            ->pluck('subject_id')
            ->all();
        foreach ($patrons as $cards) {
            foreach (array_slice($cards, 0, self::OF_EACH_LIBRARY) as $card) {
                $this->cards[$card->library_id][] = $card;
                $this->liked[$card->id] = array_slice($this->random->shuffleArray($subjects), 0, self::SUBJECTS_LIKED);
            }
        }
        Person::query()
            ->whereIn('id', Card::query()->whereIn('id', array_keys($this->liked))->select('person_id'))
            ->update(['keeps_history' => true]);
    }

    /**
     * @param  list<array<string, mixed>>  $loans  rows without cards
     * @return list<array<string, mixed>> the same in order of time, many with a card
     */
    public function shareOut(array $loans): array
    {
        usort($loans, fn(array $a, array $b): int => $a['started_at'] <=> $b['started_at']);
        $libraries = DB::table('licences')->pluck('library_id', 'id')->all();
        $about = DB::table('subject_title')
            ->get()
            ->groupBy('title_id')
            ->map(fn($rows): array => $rows->pluck('subject_id')->all())
            ->all();
        $forAdults = DB::table('titles')->where('audience', 'adult')->pluck('id', 'id')->all();
        $had = $until = [];
        foreach ($loans as &$loan) {
            $title = $loan['title_id'];
            $could = array_values(
                array_filter(
                    $this->cards[$libraries[$loan['licence_id']]] ?? [],
                    fn(Card $card): bool => !isset($had[$card->id][$title]) &&
                        array_intersect($this->liked[$card->id], $about[$title] ?? []) !== [] &&
                        !(isset($forAdults[$title]) && in_array($card->patron_group, self::YOUNG, true)) &&
                        self::open($until[$card->id] ?? [], $loan['started_at']) < self::AT_A_TIME,
                ),
            );
            if ($could === []) {
                continue;
            }
            $card = $could[$this->random->getInt(0, count($could) - 1)];
            $loan['card_id'] = $card->id;
            $had[$card->id][$title] = true;
            $until[$card->id] = [...array_slice($until[$card->id] ?? [], 1 - self::AT_A_TIME), $loan['ended_at']];
        }

        return $loans;
    }

    /** @param  list<DateTimeInterface>  $ends  of the loans before */
    private static function open(array $ends, DateTimeInterface $at): int
    {
        return count(array_filter($ends, fn(DateTimeInterface $end): bool => $end > $at));
    }
}

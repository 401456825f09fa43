<?php

declare(strict_types=1);

namespace App\Lending\Cards;

use App\Models\Card;
use App\Models\Library;
use App\Models\Person;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

/** Gives cards to people; who has no number gets the next one, and who has no PIN one that is said once. */
final class IssueCards
{
    private const FIRST_NUMBER = 10_000_001;

    /**
     * @param  list<NewCard>  $cards
     * @return list<IssuedCard|null> null where somebody has the number
     */
    public function __invoke(Library $library, array $cards): array
    {
        // Hashing takes longest, and waits for nobody.
        $pins = array_map(fn(NewCard $card): string => $card->pin ?? Pin::make(), $cards);
        $hashes = array_map(Hash::make(...), $pins);

        return DB::transaction(function () use ($library, $cards, $pins, $hashes): array {
            // Numbers follow each other, whoever gives out others at this moment.
            DB::select('select from libraries where id = ? for update', [$library->id]);
            $next = max(self::next($library), 1 + self::highest($cards));
            $issued = [];
            foreach ($cards as $n => $new) {
                $number = $new->number ?? (string) $next++;
                $isTaken = Card::query()
                    ->where(['library_id' => $library->id, 'number' => $number])
                    ->exists();
                if ($isTaken && $new->number !== null) {
                    $issued[] = null;

                    continue;
                }
                $card = Card::query()->create([
                    'library_id' => $library->id,
                    'person_id' => Person::query()->create([
                        'name' => $new->name,
                        'email' => $new->email,
                        'locale' => $new->locale ?? $library->languages[0],
                    ])->id,
                    'number' => $number,
                    'pin_hash' => $hashes[$n],
                    'patron_group' => $new->group,
                    'class' => $new->class,
                    'expires_at' => $new->expiresAt,
                ]);
                $issued[] = new IssuedCard($card->id, $new->name, $number, $pins[$n]);
            }

            return $issued;
        });
    }

    /** @param  list<NewCard>  $cards */
    private static function highest(array $cards): int
    {
        $numbers = array_filter(
            array_column($cards, 'number'),
            fn(?string $number): bool => preg_match('/^[0-9]{1,15}$/D', (string) $number) === 1,
        );

        return $numbers === [] ? 0 : max(array_map(intval(...), $numbers));
    }

    /** One more than the highest number that is one; to be asked with the library's row locked. */
    public static function next(Library $library): int
    {
        return 1 +
            (int) DB::scalar(
                "select coalesce(max(number::bigint), ?) from cards where library_id = ? and number ~ '^[0-9]{1,15}$'",
                [self::FIRST_NUMBER - 1, $library->id],
            );
    }
}

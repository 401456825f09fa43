<?php

declare(strict_types=1);

namespace App\Lending\Cards;

use App\Models\Card;
use App\Models\Library;
use App\Models\Person;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

/** Gives cards to people by their names; each gets the next number and a PIN that is said once. */
final class IssueCards
{
    private const FIRST_NUMBER = 10_000_001;

    private const PIN_DIGITS = 6;

    /**
     * @param  list<string>  $names
     * @return list<array{name: string, number: string, pin: string}>
     */
    public function __invoke(Library $library, array $names, string $group): array
    {
        return DB::transaction(function () use ($library, $names, $group): array {
            // Numbers follow each other, whoever gives out others at this moment.
            DB::select('select from libraries where id = ? for update', [$library->id]);
            $next =
                1 +
                (int) DB::scalar(
                    "select coalesce(max(number::bigint), ?) from cards where library_id = ? and number ~ '^[0-9]{1,15}$'",
                    [self::FIRST_NUMBER - 1, $library->id],
                );
            $cards = [];
            foreach ($names as $n => $name) {
                $pin = str_pad((string) random_int(0, 10 ** self::PIN_DIGITS - 1), self::PIN_DIGITS, '0', STR_PAD_LEFT);
                $person = Person::query()->create(['name' => $name]);
                $card = Card::query()->create([
                    'library_id' => $library->id,
                    'person_id' => $person->id,
                    'number' => (string) ($next + $n),
                    'pin_hash' => Hash::make($pin),
                    'patron_group' => $group,
                ]);
                $cards[] = ['name' => $name, 'number' => $card->number, 'pin' => $pin];
            }

            return $cards;
        });
    }
}

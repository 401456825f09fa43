<?php

declare(strict_types=1);

namespace App\Lending\Household;

use App\Lending\LoanRules\LibraryRules;
use App\Models\Card;
use App\Models\Person;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Audience;
use Illuminate\Support\Facades\DB;

/** An adult begins to look after a child's card: who calls it has seen that they may. Either side ends it. */
final class KeepHousehold
{
    /** Of one adult: a class has a teacher for that. */
    private const MOST = 12;

    public function __construct(private readonly LibraryRules $rules) {}

    /** @return string|null why not, by the key of its words in household.refused */
    public function add(Person $adult, Card $card, DateTimeImmutable $now): ?string
    {
        return DB::transaction(function () use ($adult, $card, $now): ?string {
            DB::select('select from people where id = ? for update', [$adult->id]);
            $many = DB::table('household_cards')->where('person_id', $adult->id)->count();
            $refused = match (true) {
                $card->person_id === $adult->id => 'own',
                !$this->isGrownUp($adult) => 'young',
                $this->rules->usual($card)->audienceCeiling === Audience::Adult => 'grown_up',
                $many >= self::MOST => 'many',
                default => null,
            };
            $refused ??
                DB::table('household_cards')->insertOrIgnore([
                    'person_id' => $adult->id,
                    'card_id' => $card->id,
                    'since' => Sql::second($now),
                ]);

            return $refused;
        });
    }

    /** @return bool whether there was anything to end */
    public function end(int $adultId, int $cardId): bool
    {
        $ended = DB::table('household_cards')
            ->where(['person_id' => $adultId, 'card_id' => $cardId])
            ->delete();

        return $ended > 0;
    }

    private function isGrownUp(Person $person): bool
    {
        return $person
            ->cards()
            ->with('library')
            ->get()
            ->contains(fn(Card $card): bool => $this->rules->usual($card)->audienceCeiling === Audience::Adult);
    }
}

<?php

declare(strict_types=1);

namespace App\Lending\OwnCards;

use App\Lending\Cards\EraseCard;
use App\Models\Person;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/**
 * A person ends everything that is kept of them: each card as EraseCard does, and with the last what is theirs besides.
 * All of it or nothing.
 */
final class EraseMe
{
    public function __construct(private readonly EraseCard $eraseCard) {}

    public function __invoke(Person $person, DateTimeImmutable $now): void
    {
        DB::transaction(function () use ($person, $now): void {
            DB::select('select from people where id = ? for update', [$person->id]);
            $cards = $person->cards()->get();
            foreach ($cards as $card) {
                ($this->eraseCard)($card, $now);
            }
            if ($cards->isEmpty()) {
                DB::table('sessions')->where('user_id', $person->id)->delete();
                $person->delete();
            }
        }, attempts: 5);
    }
}

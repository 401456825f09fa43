<?php

declare(strict_types=1);

namespace App\Lending\Cards;

use App\Lending\Holds\CloseHold;
use App\Lending\Loans\ReturnLoan;
use App\Models\Card;
use DateTimeImmutable;
use FigPorch\Core\Lending\HoldState;
use Illuminate\Support\Facades\DB;

/**
 * Ends a card for good: its loans are returned, its holds cancelled, what was asked for withdrawn, and nothing leads
 * from any of it to the person. With their last card the person goes, and with them whatever is theirs. Counts stay,
 * without anybody in them.
 */
final class EraseCard
{
    public function __construct(private readonly ReturnLoan $returnLoan, private readonly CloseHold $closeHold) {}

    /** @return bool false where it was gone already */
    public function __invoke(Card $card, DateTimeImmutable $now): bool
    {
        return DB::transaction(function () use ($card, $now): bool {
            // Nobody borrows with it from here on.
            if (DB::selectOne('select id from cards where id = ? for update', [$card->id]) === null) {
                return false;
            }
            foreach (DB::table('loans')->where('card_id', $card->id)->whereNull('ended_at')->pluck('id') as $loan) {
                ($this->returnLoan)($loan, $now);
            }
            foreach (DB::table('holds')->where('card_id', $card->id)->whereNull('closed_at')->pluck('id') as $hold) {
                ($this->closeHold)($hold, HoldState::Cancelled, $now);
            }
            DB::table('requests')
                ->where('card_id', $card->id)
                ->where('state', 'open')
                ->update(['state' => 'withdrawn', 'answered_at' => $now]);
            foreach (['loans', 'holds', 'requests'] as $table) {
                DB::table($table)
                    ->where('card_id', $card->id)
                    ->update(['card_id' => null]);
            }
            DB::table('cards')->where('id', $card->id)->delete();
            if (!DB::table('cards')->where('person_id', $card->person_id)->exists()) {
                DB::table('sessions')->where('user_id', $card->person_id)->delete();
                DB::table('people')->where('id', $card->person_id)->delete();
            }

            return true;
        }, attempts: 5);
    }
}

<?php

declare(strict_types=1);

namespace App\Lending\Cards;

use Illuminate\Support\Facades\DB;

/**
 * Two records of one person become one, where the other has no card any more: marks, baskets, places, letters and
 * choices go over. Of what both have, that of the one who stays.
 */
final class JoinPeople
{
    /**
     * Tables of what is a person's: the columns that may be there once only, if any; null where there is one row at the
     * most. A test knows all there are.
     */
    public const OF_THE_PERSON = [
        'marks' => [],
        'baskets' => [],
        'saved_searches' => [],
        'push_devices' => [],
        'letters' => [],
        'e_readers' => null,
        'folders' => null,
        'passphrases' => null,
        'sendings' => ['way', 'goods', 'facts'],
        'readings' => ['title_id', 'begins'],
        'almanac_titles' => ['title_id'],
        'household_cards' => ['card_id'],
        'messages_put_away' => ['message_id'],
        'places' => ['title_id', 'device'],
        'own_lengths' => ['format'],
        'notice_choices' => ['kind'],
        'notices' => ['event_key'],
    ];

    /** Called in a transaction. */
    public function __invoke(int $keep, int $other): void
    {
        if ($keep === $other || DB::table('cards')->where('person_id', $other)->exists()) {
            return;
        }
        foreach (self::OF_THE_PERSON as $table => $once) {
            TakeOver::rows($table, 'person_id', $other, $keep, $once);
        }
        // Nothing that either wanted kept is lost.
        DB::update(
            'update people set keeps_history = people.keeps_history or o.keeps_history,
                email = coalesce(people.email, o.email) from people o where people.id = ? and o.id = ?',
            [$keep, $other],
        );
        DB::table('sessions')->where('user_id', $other)->delete();
        DB::table('people')->where('id', $other)->delete();
    }
}

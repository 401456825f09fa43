<?php

declare(strict_types=1);

namespace App\Account\Privacy;

use App\Account\SignIn\ChoosePin;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Account\Stay;

/**
 * How long everything is kept that names a person, and by what it ends: the one place that says so. A table that leads
 * to a person and stands in none of these lists fails a test.
 */
final class Terms
{
    /** Ends with the person, or when the person ends it. */
    public const WITH_THE_PERSON = [
        'people' => 'who has a card',
        'cards' => 'what a library knows of one that it gave out',
        'own_lengths' => 'how long they like to borrow',
        'notice_choices' => 'of what they want to be told',
        'e_readers' => 'where their e-reader is, until they remove it',
        'passphrases' => 'what opens their protected files, until they set another',
        'folders' => 'where their folder is, until they remove it',
        'push_devices' => 'devices that they added, until they remove them',
        'follows' => 'magazines that they follow, until they stop',
        'readings' => 'when they read, as long as they keep a history',
        'almanac_titles' => 'what they read, their stars and words, as long as they keep a history',
        'household_cards' => 'cards of children that they look after, until either side ends it',
        'school_subjects' => 'by what their school knows them, as long as they have the card',
        'messages_put_away' => 'messages of the library that they put away, until the message goes',
        'marks' => 'their bookmarks, highlights and notes, until they remove them',
        'class_members' => 'classes that they are in, until they leave or it ends',
        'class_sets' => 'titles given to a class: of no person',
        'baskets' => 'their baskets, until they remove them',
        'basket_title' => 'what is in their baskets',
        'saved_searches' => 'searches that they saved, until they remove them',
        'saved_search_titles' => 'what a saved search is known to find',
    ];

    /** Ends thirty minutes after the loan or hold, unless the person keeps a history: ForgetEndedLoans. */
    public const WITH_THE_LOAN = [
        'loans' => 'the card is taken off',
        'holds' => 'the card is taken off',
        'places' => 'deleted',
        'notices' => 'what names the title is taken out',
        'pages_taken' => 'of a loan, which has no card any more',
        'forecast_scores' => 'of a hold, until its copy comes or it is given up; then of nobody',
        'protected_loan_events' => 'devices are taken off half an hour after its end, in any case',
        'prepared_files' => 'of a loan; deleted with the file within ten minutes of its end, or two hours',
    ];

    /** Ends by itself after so long, as told below. */
    public const AFTER_A_TIME = [
        'notices' => '30 days after it was read, 90 in all',
        'letters' => 'a year after the last word',
        'letter_parts' => 'with the letter',
        'sendings' => 'what they sent to themselves, 2 days; of a loan, until it is forgotten',
        'protected_loans' => '30 days after the loan was due; what opens the file, half an hour after its end',
        'pin_links' => 'half an hour, or until used',
        'sign_in_tries' => 'an hour at the most',
        'requests' => '30 days after the answer the card is taken off',
        'sessions' => '30 days at most, of a reading application without use; 12 hours, unless they wanted to stay',
        'classes' => 'with the day on which the teacher said that each ends, or with their card',
        'failed_jobs' => '7 days',
        'jobs' => 'until done: seconds, or as long as a mail server is away or a library is quiet',
        'desk_changes' => 'a year; with the card, what it says of it',
        'card_import_rows' => 'of files of patrons, 30 days, in which they can be undone; PINs that were made 7',
        'cache' => 'as long as each is good for: 90 days at most',
    ];

    private const NOTICE_READ_DAYS = 30;

    private const NOTICE_DAYS = 90;

    private const REQUEST_DAYS = 30;

    private const LETTER_DAYS = 366;

    private const FAILED_JOB_DAYS = 7;

    private const SENDING_DAYS = 2;

    private const PROTECTED_DAYS = 30;

    private const TRAIL_DAYS = 366;

    private const CARD_FILE_DAYS = 30;

    private const PIN_DAYS = 7;

    /** @return array<string, array{string, list<string|int>}> by table: what ends what is over, and its values */
    public static function statements(DateTimeImmutable $now): array
    {
        $ago = fn(int $days): string => Sql::second($now->modify("-{$days} days"));

        return [
            // One about a hold that still stands is what keeps it from being told again.
            'notices' => [
                "delete from notices n where (read_at <= ? or created_at <= ?) and not (n.kind in ('licence_gone',
                        'licence_ending') and exists (select from holds h where h.closed_at is null
                        and h.id::text = split_part(n.event_key, ':', 2)))",
                [$ago(self::NOTICE_READ_DAYS), $ago(self::NOTICE_DAYS)],
            ],
            'requests' => [
                "update requests set card_id = null where state <> 'open' and card_id is not null
                    and coalesce(answered_at, asked_at) <= ?",
                [$ago(self::REQUEST_DAYS)],
            ],
            'letters' => ['delete from letters where last_at <= ?', [$ago(self::LETTER_DAYS)]],
            'sendings' => ['delete from sendings where asked_at <= ?', [$ago(self::SENDING_DAYS)]],
            // Applications ask for as long as a file would have opened.
            'protected_loans' => [
                'delete from protected_loans p using loans l
                    where l.id = p.loan_id and l.ended_at is not null and l.due_at <= ?',
                [$ago(self::PROTECTED_DAYS)],
            ],
            'pin_links' => [
                'delete from pin_links where made_at <= ?',
                [Sql::second($now->modify('-' . ChoosePin::LINK_MINUTES . ' minutes'))],
            ],
            'sign_in_tries' => ['delete from sign_in_tries where free_at <= ?', [Sql::timestamp($now)]],
            'sessions' => [
                'delete from sessions where last_activity <= case when stays then ?::int else ?::int end',
                [$now->getTimestamp() - Stay::Long->idleSeconds(), $now->getTimestamp() - Stay::Usual->idleSeconds()],
            ],
            'failed_jobs' => ['delete from failed_jobs where failed_at <= ?', [$ago(self::FAILED_JOB_DAYS)]],
            'desk_changes' => ['delete from desk_changes where changed_at <= ?', [$ago(self::TRAIL_DAYS)]],
            'card_import_rows' => [
                'with over as (delete from card_imports where asked_at <= ?)
                    update card_import_rows r set pin = null from card_imports i where r.pin is not null
                        and i.id = r.card_import_id and coalesce(i.applied_at, i.asked_at) <= ?',
                [$ago(self::CARD_FILE_DAYS), $ago(self::PIN_DAYS)],
            ],
            'classes' => [
                'delete from classes c using libraries l where l.id = c.library_id
                    and c.ends_on < (?::timestamptz at time zone l.timezone)::date',
                [Sql::second($now)],
            ],
            'cache' => ['delete from cache where expiration <= ?', [$now->getTimestamp()]],
        ];
    }
}

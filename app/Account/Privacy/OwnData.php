<?php

declare(strict_types=1);

namespace App\Account\Privacy;

use App\Models\Person;
use Illuminate\Support\Facades\DB;

/**
 * The rows that are kept of a person, table by table, as they are: only what lets others in (PINs, secrets of devices,
 * what a session is known by) is left out, and says so. Every table of Terms is here or in NOT_SHOWN, by test.
 */
final class OwnData
{
    /** Of the tables that Terms names, why one shows nothing here. */
    public const NOT_SHOWN = [
        'cache' => 'counts of tries, and files being made, under names that nobody can read',
        'sign_in_tries' => 'counts of tries under names that nobody can read',
        'jobs' => 'for seconds, what stands in notices',
        'failed_jobs' => 'sealed, what stands in notices',
        'class_sets' => 'of a class',
        'saved_search_titles' => 'numbers of titles',
        'forecast_scores' => 'with a hold, which is shown',
        'card_import_rows' => 'with a card, which is shown',
    ];

    /** By table: its rows of the person whose number is asked with. */
    private const ROWS = [
        'people' => 'select name, email, locale, keeps_history, created_at, pins, rooms, reading, goals, toured,
            shows_older, ask_on_mobile, colour_names, results, calendar_key is not null as has_calendar_address
            from people where id = ?',
        'cards' => 'select l.name as library, c.number, c.own_name, c.patron_group, c.class, c.expires_at, c.blocked_at,
            c.block_reason, c.loans_open, c.holds_open, c.pay_month, c.pay_loans, c.pin_hash is not null as has_pin
            from cards c join libraries l on l.id = c.library_id where c.person_id = ? order by c.id',
        'loans' => 'select t.name as title, t.id as title_number, c.number as card, l.length, l.started_at, l.due_at,
            l.ended_at, l.end_reason, l.renewals from loans l join cards c on c.id = l.card_id
            join titles t on t.id = l.title_id where c.person_id = ? order by l.started_at, l.id',
        'holds' => 'select t.name as title, t.id as title_number, c.number as card, h.state, h.placed_at,
            h.paused_until, h.misses, h.ready_at, h.kept_until, h.closed_at, h.borrow_at_once from holds h
            join cards c on c.id = h.card_id join titles t on t.id = h.title_id where c.person_id = ?
            order by h.placed_at, h.id',
        'requests' => 'select coalesce(t.name, r.name) as title, r.people, r.format, r.number, r.state, r.answer,
            r.wants_notice, r.wants_hold, r.asked_at, r.answered_at from requests r join cards c on c.id = r.card_id
            left join titles t on t.id = r.title_id where c.person_id = ? order by r.asked_at, r.id',
        'places' => 'select t.name as title, t.id as title_number, p.device_name, p.locator, p.read_at from places p
            join titles t on t.id = p.title_id where p.person_id = ? order by p.read_at, p.title_id',
        'marks' => 'select t.name as title, t.id as title_number, m.label, m.locator, m.note, m.colour, m.made_at,
            m.changed_at, m.removed from marks m join titles t on t.id = m.title_id where m.person_id = ?
            order by m.made_at, m.id',
        'almanac_titles' => 'select t.name as title, t.id as title_number, a.begun_at, a.last_at, a.finished_at,
                a.stars,
            a.word, a.left_out, (select round(sum(r.seconds) / 60.0)::int from readings r
                where r.person_id = a.person_id and r.title_id = a.title_id) as minutes
            from almanac_titles a join titles t on t.id = a.title_id where a.person_id = ? order by a.begun_at, t.id',
        'readings' => 'select t.name as title, t.id as title_number, r.begins, r.ends, r.seconds, r.pages
            from readings r join titles t on t.id = r.title_id where r.person_id = ? order by r.begins, t.id',
        'pages_taken' => 'select t.name as title, p.starts, p.ends from pages_taken p join loans l on l.id = p.loan_id
            join cards c on c.id = l.card_id join titles t on t.id = l.title_id where c.person_id = ?
            order by t.name, p.starts',
        'prepared_files' => 'select t.name as title, f.kind, f.asked_at, f.ready_at, f.failed_at from prepared_files f
            join loans l on l.id = f.loan_id join cards c on c.id = l.card_id join titles t on t.id = l.title_id
            where c.person_id = ? order by f.asked_at, f.id',
        'baskets' => 'select b.name, o.name as in_basket, b.note, b.share_key is not null as is_shared, b.created_at
            from baskets b left join baskets o on o.id = b.parent_id where b.person_id = ? order by b.created_at, b.id',
        'basket_title' => 'select b.name as basket, t.name as title, t.id as title_number, i.note, i.added_at
            from basket_title i join baskets b on b.id = i.basket_id join titles t on t.id = i.title_id
            where b.person_id = ? order by b.id, i.position',
        'saved_searches' => 'select l.name as library, s.name, s.search, s.tells, s.looked_at from saved_searches s
            join libraries l on l.id = s.library_id where s.person_id = ? order by s.id',
        'follows' => 'select s.name as magazine, f.borrows from follows f join cards c on c.id = f.card_id
            join series s on s.id = f.series_id where c.person_id = ? order by s.name',
        'classes' => 'select s.name, s.made_at, s.ends_on from classes s join cards c on c.id = s.card_id
            where c.person_id = ? order by s.id',
        'class_members' => 'select s.name as class, m.joined_at from class_members m join cards c on c.id = m.card_id
            join classes s on s.id = m.class_id where c.person_id = ? order by m.joined_at, s.id',
        'household_cards' => 'select c.number as card, p.name as of, h.since from household_cards h
            join cards c on c.id = h.card_id join people p on p.id = c.person_id
                where h.person_id = ? order by h.since',
        'e_readers' => 'select address, asked_at, confirmed_at from e_readers where person_id = ?',
        'passphrases' => 'select hint, kept_at from passphrases where person_id = ?',
        'protected_loans' => 'select t.name as title, p.issued_at, p.hint from protected_loans p
            join loans l on l.id = p.loan_id join cards c on c.id = l.card_id join titles t on t.id = l.title_id
            where c.person_id = ? order by p.issued_at, p.id',
        'protected_loan_events' => 'select t.name as title, e.kind, e.device_name, e.device_id, e.happened_at
            from protected_loan_events e join protected_loans p on p.id = e.protected_loan_id
            join loans l on l.id = p.loan_id join cards c on c.id = l.card_id join titles t on t.id = l.title_id
            where c.person_id = ? order by e.id',
        'folders' => 'select address, name, kept_at from folders where person_id = ?',
        'sendings' => 'select name, way, destination, state, why, asked_at, ended_at from sendings where person_id = ?
            order by id',
        'own_lengths' => 'select format, length from own_lengths where person_id = ? order by format',
        'notice_choices' => 'select kind, shown, mailed, pushed from notice_choices where person_id = ? order by kind',
        'notices' => 'select kind, facts, created_at, read_at, mailed_at, shown from notices where person_id = ?
            order by created_at, id',
        'push_devices' => "select split_part(endpoint, '/', 3) as service, added_at, told_at from push_devices
            where person_id = ? order by added_at, id",
        'letters' => 'select l.name as library, t.about, t.last_at, t.waits from letters t
            join libraries l on l.id = t.library_id where t.person_id = ? order by t.id',
        'letter_parts' => 'select p.by_staff as from_library, p.text, p.written_at from letter_parts p
            join letters t on t.id = p.letter_id where t.person_id = ? order by p.id',
        'messages_put_away' => 'select m.texts as message from messages_put_away a
            join messages m on m.id = a.message_id where a.person_id = ? order by m.id',
        'sessions' => 'select user_agent as browser, ip_address, to_timestamp(last_activity) as last_used,
            stays as stays_signed_in from sessions where user_id = ? order by last_activity',
        'school_subjects' => 'select c.number as card, s.subject as known_to_the_school_as from school_subjects s
            join cards c on c.id = s.card_id where c.person_id = ? order by c.id',
        'pin_links' => 'select c.number as card, p.made_at from pin_links p join cards c on c.id = p.card_id
            where c.person_id = ? order by p.made_at',
        'desk_changes' => 'select d.what, d.subject, d.facts, d.changed_at from desk_changes d
            join cards c on c.id = d.card_id where c.person_id = ? order by d.changed_at, d.id',
    ];

    /** @return array<string, list<array<string, mixed>>> by table, those without rows too */
    public function of(Person $person): array
    {
        // All at the same moment, though other pages write meanwhile.
        return DB::transaction(function () use ($person): array {
            // Within another transaction it is as that one is.
            DB::transactionLevel() > 1 || DB::statement('set transaction isolation level repeatable read, read only');

            return array_map(
                fn(string $sql): array => array_map(
                    $this->readable(...),
                    array_values(DB::select($sql, [$person->id])),
                ),
                self::ROWS,
            );
        });
    }

    /** @return list<string> */
    public static function tables(): array
    {
        return array_keys(self::ROWS);
    }

    /** One value as a person reads it. */
    public static function text(mixed $value): string
    {
        return match (true) {
            $value === null => '',
            is_bool($value) => $value ? 'true' : 'false',
            is_scalar($value) => (string) $value,
            default => json_encode($value, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR),
        };
    }

    /** @return array<string, mixed> with what is JSON in the database as what it means */
    private function readable(object $row): array
    {
        return array_map(function (mixed $value): mixed {
            $isJson = is_string($value) && preg_match('/^[\[{]/', $value) === 1;

            return $isJson ? json_decode($value, true) ?? $value : $value;
        }, (array) $row);
    }
}

<?php

declare(strict_types=1);

namespace App\Lending\Audit;

use App\Lending\LoanRules\LibraryRules;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use Illuminate\Support\Facades\DB;

/** Recounts every figure that is kept from the rows it counts, and finds what was begun and never ended. */
final class LendingAudit
{
    /** How long after a moment the scheduler may take to do what it calls for, in minutes. */
    private const GRACE = 3;

    private const WRONG = <<<'SQL'
    select 'licence ' || id || ' keeps ' || copies_free || ' copies free; there are ' || counted as what from (
        select li.id, li.copies_free, li.copies - coalesce(o.n, 0) - coalesce(r.n, 0) counted from licences li
            left join (select licence_id, count(*) n from loans where ended_at is null
                group by 1) o on o.licence_id = li.id
            left join (select licence_id, count(*) n from holds where state = 'ready'
                group by 1) r on r.licence_id = li.id
        where li.copies is not null) x where copies_free <> counted
    union all select 'licence ' || id || ' keeps ' || loans_left || ' loans left; there are ' || counted from (
        select li.id, li.loans_left, li.loans_bought - coalesce(o.n, 0) - coalesce(r.n, 0) counted from licences li
            left join (select licence_id, sum(1 + renewals) n from loans group by 1) o on o.licence_id = li.id
            left join (select licence_id, count(*) n from holds where state = 'ready'
                group by 1) r on r.licence_id = li.id
        where li.loans_bought is not null) x where loans_left <> counted
    union all select 'card ' || c.id || ' keeps ' || c.loans_open || ' loans open; there are ' || coalesce(o.n, 0)
        from cards c
        left join (select card_id, count(*) n from loans where ended_at is null group by 1) o on o.card_id = c.id
            where c.loans_open <> coalesce(o.n, 0)
    union all select 'card ' || c.id || ' keeps ' || c.holds_open || ' holds open; there are ' || coalesce(o.n, 0)
        from cards c
        left join (select card_id, count(*) n from holds where closed_at is null group by 1) o on o.card_id = c.id
            where c.holds_open <> coalesce(o.n, 0)
    union all select 'hold ' || h.id || ' waits though licence ' || li.id || ' has a copy free' from holds h
        join cards c on c.id = h.card_id join licences li on li.title_id = h.title_id
        join libraries o on o.id = li.library_id join libraries lib on lib.id = h.library_id
        where h.state = 'waiting' and li.copies_free > 0 and licence_is_live(li, :now) and li.starts_at <= :early
            and licence_serves(li.shared, o, lib) and hold_can_be_filled(h, c, :now)
    union all select 'licence ' || li.id || ' is on order though the file of its title is here' from licences li
        join publications p on p.title_id = li.title_id where li.file_came_at is null
    union all select 'loan ' || id || ' is open though it was due ' || due_at from loans
        where ended_at is null and due_at <= :early
    union all select 'hold ' || id || ' is ready though its copy was kept until ' || kept_until from holds
        where state = 'ready' and kept_until <= :early
    union all
        select 'library ' || m.library_id || ' keeps ' || m.spent_cents || ' cents spent in ' || m.month ||
        '; at least ' || s.paid || ' were' from pay_per_loan_months m
        join libraries lib on lib.id = m.library_id join (select li.library_id, date_trunc('month',
            l.started_at at time zone lb.timezone)::date as month, sum(li.price_cents) paid
            from loans l join licences li on li.id = l.licence_id join libraries lb on lb.id = li.library_id
                where l.paid_cents is not null group by 1, 2) s
            on s.library_id = m.library_id and s.month = m.month where m.spent_cents < s.paid
    union all select 'notice ' || id || ' began to be mailed ' || mail_begun_at || '; nobody knows whether it went'
        from notices where mailed_at is null and mail_begun_at between :long and :early
    union all
        select 'title ' || r.title_id || ' is found as held by ' || r.held::text || ' and ready at ' || r.ready::text
        || '; the licences say ' || a.held::text || ' and ' || a.ready::text
        from search_rows r join search_availability((select array_agg(title_id)
            from search_rows), now()) a on a.title_id = r.title_id
        where r.sure_from <= now() and r.sure_until > now() and (r.held, r.ready, r.always, r.paid) is distinct
            from (a.held, a.ready, a.always, a.paid)
    SQL;

    public function __construct(private readonly LibraryRules $rules) {}

    /** @return list<string> what is off, in words; none if all is well */
    public function wrong(DateTimeImmutable $now): array
    {
        $at = fn(DateTimeImmutable $moment): string => DB::getPdo()->quote(Sql::timestamp($moment));

        $wrong = DB::select(
            strtr(self::WRONG, [
                ':early' => $at($now->modify('-' . self::GRACE . ' minutes')),
                ':now' => $at($now),
                // Said on two nights, and not for ever.
                ':long' => $at($now->modify('-2 days')),
            ]),
        );

        return [...array_column($wrong, 'what'), ...$this->beyondLimits($now)];
    }

    /**
     * Cards that got a loan in the last day though they have more than their rules allow; or, once, whose rule a
     * library has lowered since.
     *
     * @return list<string>
     */
    private function beyondLimits(DateTimeImmutable $now): array
    {
        $cards = DB::select(
            'select c.id, c.library_id, c.patron_group, c.loans_open, t.format, count(*) n from cards c
                join loans l on l.card_id = c.id and l.ended_at is null join titles t on t.id = l.title_id
                where exists (select from loans n where n.card_id = c.id and n.ended_at is null and n.started_at > ?)
                group by c.id, t.format order by c.id, t.format',
            [Sql::timestamp($now->modify('-1 day'))],
        );
        $wrong = [];
        foreach ($cards as $card) {
            $terms = $this->rules->terms($card->library_id, $card->patron_group, Format::from($card->format));
            $open = $terms->loansCountedByFormat ? $card->n : $card->loans_open;
            if ($open > $terms->maxLoans) {
                $wrong["{$card->id}"] = "card {$card->id} has {$open} loans open; its rules allow {$terms->maxLoans}";
            }
        }

        return array_values($wrong);
    }
}

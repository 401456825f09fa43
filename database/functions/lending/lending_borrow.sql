-- Writes a loan that the rules have granted, in one round trip, and only if what they saw still holds.
-- Rows are taken in the order card, loan, hold, licence, month; the licence late, so that a hot title is locked for the
-- shortest time.
-- Raises FP001 at a limit, 23505 (unique violation of loans_one_open) when the title is on loan to the card already,
-- FP003 when the licence can no longer lend.

-- Pays for one loan where the licence is paid per loan: counts it on the card and takes it out of the library's month.
-- Gives the cents paid, or null where nothing is paid.
create function pay_per_loan_spend(p_licence bigint, p_card bigint, p_now timestamptz,
    p_limit int) returns int language plpgsql as $$
declare
    v record;
begin
    select li.price_cents, li.library_id, lib.pay_per_loan_budget_cents budget, date_trunc('month',
        p_now at time zone lib.timezone)::date as month
        into v from licences li join libraries lib on lib.id = li.library_id
            where li.id = p_licence and li.model = 'pay_per_loan';
    if not found then
        return null;
    end if;
    update cards set pay_loans = case when pay_month = v.month then pay_loans + 1 else 1 end, pay_month = v.month
        where id = p_card and p_limit > case when pay_month = v.month then pay_loans else 0 end;
    if not found then
        raise exception 'pay per loan cap' using errcode = 'FP001';
    end if;
    insert into pay_per_loan_months (library_id, month, budget_cents)
        values (v.library_id, v.month, v.budget) on conflict do nothing;
    update pay_per_loan_months set spent_cents = spent_cents + v.price_cents
        where library_id = v.library_id and month = v.month and spent_cents + v.price_cents <= budget_cents;
    if not found then
        raise exception 'budget spent' using errcode = 'FP003';
    end if;
    return v.price_cents;
end $$;

create function lending_borrow(
    p_card bigint, p_title bigint, p_licence bigint, p_now timestamptz, p_due timestamptz,
    p_length text, p_limit int, p_limit_format text, p_pay_limit int
) returns bigint language plpgsql as $$
declare
    v_loan bigint;
    v_hold record;
    v_held boolean := false;
    v_holds int;
begin
    update cards set loans_open = loans_open + 1
        where id = p_card and (p_limit_format is not null or loans_open < p_limit) returning holds_open into v_holds;
    if not found then
        raise exception 'loan limit' using errcode = 'FP001';
    end if;
    if p_limit_format is not null and p_limit <= (
        select count(*) from loans join titles on titles.id = loans.title_id
        where loans.card_id = p_card and loans.ended_at is null and titles.format = p_limit_format
    ) then
        raise exception 'loan limit' using errcode = 'FP001';
    end if;

    insert into loans (card_id, title_id, licence_id, length, started_at, due_at)
        values (p_card, p_title, p_licence, p_length, p_now, p_due)
        returning id into v_loan;

    -- The card's place in line has served its purpose. A ready hold hands its copy, and its counted loan, to the new
    -- loan.
    if v_holds > 0 then
        select id, state, licence_id into v_hold from holds
            where card_id = p_card and title_id = p_title and closed_at is null for update;
        v_held := found;
    end if;
    if v_held then
        update holds set state = 'filled', closed_at = p_now, kept_until = null, licence_id = null, paused_until = null
            where id = v_hold.id;
        update cards set holds_open = holds_open - 1 where id = p_card;
        if v_hold.state = 'ready' and v_hold.licence_id = p_licence then
            -- Its copy and its counted loan were taken when it was kept.
            perform 1 from licences where id = p_licence and starts_at <= p_now and (ends_at is null
                or ends_at > p_now);
            if not found then
                raise exception 'licence changed' using errcode = 'FP003';
            end if;
            return v_loan;
        elsif v_hold.state = 'ready' then
            update licences set copies_free = copies_free + 1, loans_left = loans_left + 1 where id = v_hold.licence_id;
        end if;
    end if;

    if p_pay_limit is not null then
        update loans set paid_cents = pay_per_loan_spend(p_licence, p_card, p_now, p_pay_limit) where id = v_loan;
    end if;
    update licences li set copies_free = copies_free - 1, loans_left = loans_left - 1
        where id = p_licence and title_id = p_title and licence_can_lend(li, p_now);
    if not found then
        raise exception 'licence changed' using errcode = 'FP003';
    end if;
    return v_loan;
end $$;

-- Writes a loan that the rules have granted, in one round trip, and only if what they saw still holds.
-- Rows are taken in the order card, loan, hold, licence; the licence last, so that a hot title is locked for the shortest time.
-- Raises FP001 at a limit, FP002 when the title is on loan to the card already, FP003 when the licence can no longer lend.
create or replace function lending_borrow(
    p_card bigint, p_title bigint, p_licence bigint, p_now timestamptz, p_due timestamptz,
    p_length text, p_limit int, p_limit_format text
) returns bigint language plpgsql as $$
declare
    v_loan bigint;
    v_hold record;
begin
    update cards set loans_open = loans_open + 1
        where id = p_card and (p_limit_format is not null or loans_open < p_limit);
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
        on conflict do nothing returning id into v_loan;
    if v_loan is null then
        raise exception 'already on loan' using errcode = 'FP002';
    end if;

    -- The card's place in line has served its purpose. A ready hold hands its copy, and its counted loan, to the new loan.
    select id, state, licence_id into v_hold from holds
        where card_id = p_card and title_id = p_title and closed_at is null for update;
    if found then
        update holds set state = 'filled', closed_at = p_now, kept_until = null, licence_id = null, paused_until = null
            where id = v_hold.id;
        update cards set holds_open = holds_open - 1 where id = p_card;
        if v_hold.state = 'ready' and v_hold.licence_id = p_licence then
            perform 1 from licences where id = p_licence and starts_at <= p_now and (ends_at is null or ends_at > p_now);
            if not found then
                raise exception 'licence changed' using errcode = 'FP003';
            end if;
            return v_loan;
        elsif v_hold.state = 'ready' then
            update licences set copies_free = copies_free + 1, loans_left = loans_left + 1 where id = v_hold.licence_id;
        end if;
    end if;

    update licences set copies_free = copies_free - 1, loans_left = loans_left - 1
        where id = p_licence and title_id = p_title and starts_at <= p_now and (ends_at is null or ends_at > p_now)
            and (copies_free is null or copies_free > 0) and (loans_left is null or loans_left > 0);
    if not found then
        raise exception 'licence changed' using errcode = 'FP003';
    end if;
    return v_loan;
end $$;

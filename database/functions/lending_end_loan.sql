-- Ends an open loan: rows in the order card, loan, licence. When nobody waits for the title the copy comes free here and now;
-- otherwise the licence stays locked and its copy out of use, for the caller to pass on in the same transaction.
-- p_at null: the loan ended at its due time. Null when the loan was over already.
create or replace function lending_end_loan(p_loan bigint, p_at timestamptz, p_reason text) returns json language plpgsql as $$
declare
    v_card record;
    v_loan record;
    v_awaited boolean;
begin
    select c.id, c.person_id into v_card from cards c
        where c.id = (select card_id from loans where id = p_loan and ended_at is null) for no key update;
    if not found then
        return null;
    end if;
    update loans set ended_at = least(due_at, coalesce(p_at, due_at)), end_reason = p_reason
        where id = p_loan and ended_at is null returning licence_id, title_id into v_loan;
    if not found then
        return null;
    end if;
    update cards set loans_open = loans_open - 1 where id = v_card.id;

    perform 1 from licences where id = v_loan.licence_id for no key update;
    v_awaited := exists (select from holds where title_id = v_loan.title_id and state in ('waiting', 'paused'));
    if not v_awaited then
        update licences set copies_free = copies_free + 1 where id = v_loan.licence_id;
    end if;
    return json_build_object('person', v_card.person_id, 'licence', v_loan.licence_id, 'title', v_loan.title_id, 'awaited', v_awaited,
        'name', (select name from titles where id = v_loan.title_id));
end $$;

-- Writes down that a short look becomes a longer loan, if what the rules saw still holds: the same loan, its copy and what
-- was paid for it. Rows in the order card, loan, licence.
-- Raises FP003 when the loan is over or was changed meanwhile, or others wait by now.
create function lending_longer(p_loan bigint, p_now timestamptz, p_old_due timestamptz, p_due timestamptz,
    p_length text, p_waiting_allowed boolean) returns void language plpgsql as $$
declare
    v_loan record;
begin
    perform 1 from cards where id = (select card_id from loans where id = p_loan) for no key update;
    update loans set due_at = p_due, length = p_length, told = 0
        where id = p_loan and ended_at is null and due_at = p_old_due and due_at > p_now
            returning card_id, licence_id, title_id into v_loan;
    if not found then
        raise exception 'loan changed' using errcode = 'FP003';
    end if;
    -- Taking its row keeps new holds from joining the line unseen.
    perform 1 from licences where id = v_loan.licence_id for no key update;
    if not p_waiting_allowed and lending_others_wait(v_loan.card_id, v_loan.title_id, v_loan.licence_id) then
        raise exception 'others wait' using errcode = 'FP003';
    end if;
end $$;

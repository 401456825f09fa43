-- Whether others wait for the title of a loan and might take its copy.
create function lending_others_wait(p_card bigint, p_title bigint, p_licence bigint) returns boolean stable
language plpgsql as $$
begin
    return exists (select from holds h join licences li on li.id = p_licence
        join libraries o on o.id = li.library_id join libraries lib on lib.id = h.library_id
        where h.title_id = p_title and h.state = 'waiting' and h.card_id <> p_card
            and licence_serves(li.shared, o, lib));
end $$;

-- Writes a renewal that the rules have granted, and only if what they saw still holds. Rows in the order card, loan,
-- licence.
-- Raises FP001 at the card's cap, FP003 when the loan is over or was renewed meanwhile, or its licence can no longer
-- lend.
create function lending_renew(
    p_loan bigint, p_now timestamptz, p_old_due timestamptz, p_due timestamptz, p_pay_limit int,
        p_waiting_allowed boolean
) returns void language plpgsql as $$
declare
    v_loan record;
    v_paid int;
begin
    perform 1 from cards where id = (select card_id from loans where id = p_loan) for no key update;
    update loans set due_at = p_due, renewals = renewals + 1, told = 0
        where id = p_loan and ended_at is null and due_at = p_old_due and due_at > p_now
            returning card_id, licence_id, title_id into v_loan;
    if not found then
        raise exception 'loan changed' using errcode = 'FP003';
    end if;
    -- A counted licence spends one more loan; taking its row keeps new holds from joining the line unseen.
    update licences li set loans_left = loans_left - 1
        where id = v_loan.licence_id and licence_has_future(li, p_now);
    if not found then
        raise exception 'licence changed' using errcode = 'FP003';
    end if;
    if not p_waiting_allowed and lending_others_wait(v_loan.card_id, v_loan.title_id, v_loan.licence_id) then
        raise exception 'others wait' using errcode = 'FP003';
    end if;
    v_paid := pay_per_loan_spend(v_loan.licence_id, v_loan.card_id, p_now, p_pay_limit);
    if v_paid is not null then
        update loans set paid_cents = coalesce(paid_cents, 0) + v_paid where id = p_loan;
    end if;
end $$;

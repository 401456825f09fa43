-- Writes what UndoDecision has granted, and only if what it saw still holds: the loan is open again, on its card and
-- on a copy of its licence. Rows in the order card, loan, licence. False where the loan was not returned in that time,
-- or is over.
-- Raises FP001 at the card's limit, 23505 when the title is on loan to the card again, FP003 when the copy has gone.
create function lending_undo_return(p_loan bigint, p_now timestamptz, p_since timestamptz, p_limit int,
    p_limit_format text) returns boolean language plpgsql as $$
declare
    v_loan record;
begin
    update cards set loans_open = loans_open + 1
        where id = (select card_id from loans where id = p_loan and ended_at is not null)
            and (p_limit_format is not null or loans_open < p_limit);
    if not found then
        raise exception 'loan limit' using errcode = 'FP001';
    end if;
    update loans set ended_at = null, end_reason = null
        where id = p_loan and end_reason = 'returned' and ended_at > p_since and due_at > p_now and card_id is not null
        returning card_id, licence_id into v_loan;
    if not found then
        raise exception 'loan changed' using errcode = 'FP003';
    end if;
    if p_limit_format is not null and p_limit < (
        select count(*) from loans join titles on titles.id = loans.title_id
        where loans.card_id = v_loan.card_id and loans.ended_at is null and titles.format = p_limit_format
    ) then
        raise exception 'loan limit' using errcode = 'FP001';
    end if;
    update licences set copies_free = copies_free - 1
        where id = v_loan.licence_id and (ends_at is null or ends_at > p_now)
            and (copies_free is null or copies_free > 0);
    if not found then
        raise exception 'licence changed' using errcode = 'FP003';
    end if;
    return true;
end $$;

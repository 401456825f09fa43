-- What staff set is checked when they set it: as check constraints this would be read and reckoned again with every
-- borrow.
create function licences_as_their_model_says() returns trigger language plpgsql as $$
begin
    if not coalesce(new.ends_at > new.starts_at, true)
        or (new.copies is null) <> (new.copies_free is null)
        or (new.loans_bought is null) <> (new.loans_left is null)
        or not (case new.model
            when 'one_copy_one_user' then new.copies is not null and new.loans_bought is null
            when 'metered_by_time' then new.copies is not null and new.loans_bought is null and new.ends_at is not null
            when 'metered_by_loans' then new.copies is not null and new.loans_bought is not null
            when 'concurrent' then new.copies is not null and new.loans_bought is not null
            when 'simultaneous' then new.copies is null and new.loans_bought is null
            when 'pay_per_loan' then new.copies is null and new.loans_bought is null and new.price_cents > 0
                and not new.shared
            else false end)
    then
        raise exception 'licence % is not as its model says', new.id using errcode = '23514',
            constraint = 'licences_model';
    end if;
    return new;
end $$;

create trigger licences_model after insert or update of model, copies, loans_bought, starts_at, ends_at, price_cents,
    shared
    on licences for each row execute function licences_as_their_model_says();

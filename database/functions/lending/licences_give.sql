-- What patrons of a library can get of a title by its licences at a moment: 1 to wait for, + 2 ready, + 4 always;
-- p_pays where a loan may be paid for. For those titles of which search_rows cannot say. A function of plpgsql, so that
-- it is planned once and not with each search.
create function licences_give(p_title bigint, p_library bigint, p_now timestamptz, p_pays boolean) returns int
stable parallel safe cost 1000 language plpgsql as $$
begin
    return (
        select coalesce(bool_or(x.live or exists (select from holds h
            where h.licence_id = x.id and h.closed_at is null)), false)::int
                + 2 * coalesce(bool_or(x.live and x.lends), false)::int + 4 * coalesce(bool_or(x.live and x.lends
                    and x.model = 'simultaneous'), false)::int
            from (
                select li.id, li.model, licence_has_future(li, p_now) live,
                        licence_can_lend(li, p_now) and case when li.model = 'pay_per_loan' then p_pays
                                and li.price_cents <= pay_per_loan_left(li.library_id, p_now) else true end lends
                    from licences li join libraries o on o.id = li.library_id join libraries lib on lib.id = p_library
                    where li.title_id = p_title and (li.ends_at is null or li.ends_at > p_now)
                        and licence_serves(li.shared, o, lib)
            ) x
    );
end $$;

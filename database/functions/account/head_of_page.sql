-- What the head of each page of a person shows: notices not seen yet, and the open loan that they read in last, on any
-- device.
create function head_of_page(p_person bigint, p_cards bigint[], p_now timestamptz) returns table (unread bigint,
    loan_id bigint, loan_name text, loan_format text) stable language plpgsql
    set plan_cache_mode = force_generic_plan as $$
begin
    return query select (select count(*) from notices n
        where n.person_id = p_person and n.read_at is null and n.shown), last.id, last.name, last.format
        from (values (1)) one left join lateral (
            select l.id, t.name::text, t.format::text from loans l join titles t on t.id = l.title_id
                join places p on p.title_id = l.title_id and p.person_id = p_person
                where l.card_id = any(p_cards) and l.ended_at is null and l.due_at > p_now
                    order by p.read_at desc limit 1
        ) last on true;
end $$;

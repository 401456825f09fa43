-- The state of a library's lines: what keeps copies of the licences busy ('loan' and 'ready', with the licence, until
-- when and since when), and the library's holds that wait for the titles, in order ('waiting', with title, hold,
-- until when it is paused, and when it was placed).
create function lines_of(p_library bigint, p_titles bigint[], p_licences bigint[])
    returns table (kind text, id bigint, hold_id bigint, until timestamptz, began timestamptz) stable language plpgsql
        set plan_cache_mode = force_generic_plan as $$
begin
    return query select 'loan', l.licence_id, null::bigint, l.due_at, l.started_at from loans l
        where l.ended_at is null and l.licence_id = any(p_licences);
    return query select 'ready', h.licence_id, h.id, h.kept_until, null::timestamptz from holds h
        where h.state = 'ready' and h.licence_id = any(p_licences);
    return query select 'waiting', h.title_id, h.id, h.paused_until, h.placed_at from holds h
        where h.library_id = p_library and h.state in ('waiting', 'paused') and h.title_id = any(p_titles)
            order by h.line_at, h.id;
end $$;

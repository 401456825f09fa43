-- A page of titles whole, as titles_named gives them, out of rings that follow one another: in each by how often they
-- were borrowed, or the newest first. In their order.
create function titles_in_rings(p_titles bigint[], p_rings int[], p_newest boolean, p_count int, p_from int)
returns table (title titles, series text, people json, subjects json,
    has_file boolean) stable rows 30 language plpgsql set plan_cache_mode = force_generic_plan as $$
declare
    v_page bigint[];
begin
    v_page := array(
        select s.title_id from unnest(p_titles, p_rings) r(title_id, ring) join search_rows s on s.title_id = r.title_id
            order by r.ring, case when p_newest then s.added_at end desc, case when not p_newest then s.times_borrowed
                end desc, s.title_id limit p_count offset p_from);
    return query select n.* from titles_named(v_page) n order by array_position(v_page, (n.title).id);
end $$;

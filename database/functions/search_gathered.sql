-- What was gathered last of each kind, as [{of, id, key, paired}], and so many at the most of the titles whose bits are not to be believed
-- at that moment, some of them twice: they have changed since, or a date has passed. In the order of an index, so that a plan made once for all moments walks it.
create or replace function search_gathered(p_now timestamptz, p_most int, out gathered json, out loose json) stable language plpgsql set plan_cache_mode = force_generic_plan as $$
begin
    select json_agg(g) into gathered from (
        select distinct on (of) of, id, key, paired from search_gatherings where gathered_at is not null order by of, id desc) g;
    select coalesce(json_agg(l.title_id), '[]') into loose from (
        select title_id from search_loose
        union all (select title_id from search_rows where sure_until <= p_now order by sure_until limit p_most)
        union all (select title_id from search_rows where sure_from > p_now order by sure_from limit p_most)
        limit p_most) l;
end $$;

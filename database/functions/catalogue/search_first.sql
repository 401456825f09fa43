-- What every search asks first, in one question, planned once for each connection:
-- gathered: what was gathered last of each kind, as [{of, id, key, paired}];
-- loose: so many at the most of the titles whose bits are not to be believed at that moment, because they have changed
-- since or a date has
--   passed, some of them twice. In the order of an index, so that one plan for all moments walks it;
-- changed: those of them whose records have changed; of the others it is only who can have them that is not to be
-- believed;
-- stems: of each word, but for what the database takes for none or for more than one, its English stem, its Spanish one
-- and itself, as {word: [en, es, exact]};
-- called: titles that are called just so.
create function search_first(p_now timestamptz, p_most int, p_words text[], p_name text, out gathered json,
    out loose json, out changed json, out stems json, out called json)
stable language plpgsql set plan_cache_mode = force_generic_plan as $$
begin
    select json_agg(g) into gathered from (
        select distinct on (of) of, id, key, paired from search_gatherings where gathered_at is not null
            order by of, id desc) g;
    select coalesce(json_agg(l.title_id), '[]') into loose from (
        select title_id from search_index_changes
        union all (select title_id from search_rows where sure_until <= p_now order by sure_until limit p_most)
        union all (select title_id from search_rows where sure_from > p_now order by sure_from limit p_most)
        limit p_most) l;
    select coalesce(json_agg(c.title_id), '[]') into changed from (select distinct title_id from search_index_changes
        where of = 'records' limit p_most) c;
    if cardinality(p_words) > 0 then
        select json_object_agg(word, tsvector_to_array(en) || tsvector_to_array(es) || tsvector_to_array(exact)) into
            stems from (
            select word, to_tsvector('fig_en', word) en, to_tsvector('fig_es', word) es, to_tsvector('fig_exact',
                word) exact from (select distinct unnest(p_words) word) w) x
            where length(en) = 1 and length(es) = 1 and length(exact) = 1;
    end if;
    if p_name <> '' then
        select json_agg(x.id) into called from (select id from titles where lower(name) = lower(p_name) limit 100) x;
    end if;
end $$;

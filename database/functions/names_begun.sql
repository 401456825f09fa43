-- The names that were gathered for a beginning of a word, those of them that have all that was typed in them, so many of each kind (p_titles,
-- and p_each of the others), the likeliest first. By kind an array of {id, role, name, many, titles}: by its titles whoever asks counts what a
-- library has; where there are more than p_many, which "many" says, only those that are loose. full: the kinds of which as many names begin so
-- as are kept, p_kept; new: titles that have changed, of which some are not yet among the names, or null if they are too many to look at;
-- gathered, loose and changed as search_first has them. p_named, all that was typed, as a tsquery, is null where the beginning is all of it. Null where
-- nothing was gathered.
create or replace function names_begun(p_prefix text, p_named text, p_now timestamptz, p_most int, p_kept int, p_titles int, p_each int, p_many int) returns json
stable language plpgsql set plan_cache_mode = force_generic_plan as $$
declare
    v_first record;
    v_loose bigint[];
    v_named tsquery := to_tsquery('fig_exact', p_named);
    v_begun tsquery;
    v_changed bigint[];
    c_few constant int := 200;
begin
    if not exists (select from search_prefixes) then
        return null;
    end if;
    select * into v_first from search_first(p_now, p_most, '{}', '');
    v_loose := translate(v_first.loose::text, '[]', '{}')::bigint[];
    v_changed := translate(v_first.changed::text, '[]', '{}')::bigint[];
    if cardinality(v_changed) between 1 and c_few then
        v_begun := coalesce(v_named, to_tsquery('fig_exact', p_prefix || ':*'));
    end if;
    return json_build_object('gathered', v_first.gathered, 'loose', v_first.loose, 'changed', v_first.changed,
        'full', (select json_agg(kind) from search_prefixes where prefix = p_prefix and place = p_kept),
        'new', case when cardinality(v_changed) <= c_few then coalesce((select json_agg(x) from (
            select t.id, '' as role, t.name, t.edition, t.format, false as many, array[t.id] as titles from titles t
                where t.id = any(v_changed) and to_tsvector('fig_exact', t.name) @@ v_begun order by t.id) x), '[]') end,
        'title', (select json_agg(x) from (
            select t.id, '' as role, t.name, t.edition, t.format, false as many, array[t.id] as titles from search_prefixes p join titles t on t.id = p.ref
                where p.prefix = p_prefix and p.kind = 'title' and (v_named is null or to_tsvector('fig_exact', t.name) @@ v_named) order by p.place limit p_titles) x),
        'person', (select json_agg(x) from (
            select p.ref id, p.role, c.name, p.titles > p_many many, case when p.titles <= p_many
                    then array(select o.title_id from contributor_title o where o.contributor_id = p.ref and o.role = p.role)
                    else array(select o.title_id from contributor_title o where o.title_id = any(v_loose) and o.contributor_id + 0 = p.ref and o.role = p.role) end titles
                from search_prefixes p join contributors c on c.id = p.ref
                where p.prefix = p_prefix and p.kind = 'person' and (v_named is null or c.words @@ v_named) order by p.place limit p_each) x),
        'series', (select json_agg(x) from (
            select p.ref id, '' as role, s.name, false many, array(select o.title_id from search_rows o where o.series_id = p.ref) titles
                from search_prefixes p join series s on s.id = p.ref
                where p.prefix = p_prefix and p.kind = 'series' and (v_named is null or s.words @@ v_named) order by p.place limit p_each) x),
        'subject', (select json_agg(x) from (
            select p.ref id, '' as role, s.name, p.titles > p_many many, case when p.titles <= p_many
                    then array(select o.title_id from subject_title o where o.subject_id = p.ref)
                    else array(select o.title_id from subject_title o where o.title_id = any(v_loose) and o.subject_id = p.ref) end titles
                from search_prefixes p join subjects s on s.id = p.ref
                where p.prefix = p_prefix and p.kind = 'subject' and (v_named is null or s.words @@ v_named) order by p.place limit p_each) x));
end $$;

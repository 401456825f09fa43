-- The names that were gathered for a beginning of a word, those of them that have all that was typed in them, so many
-- titles (p_titles) and so many of each other kind (p_each), the likeliest first: as search_names has them. p_named,
-- all that was typed, as a tsquery, is null where the beginning is all of it. full: the kinds of which as many names
-- begin so as are kept, p_kept. also: which of these names the titles bear that have changed since, as [{kind, id,
-- role, title}]; new: those titles, where they are called what was typed, and names that they alone bear;
-- where they are too many to be looked at, which "looked" denies, only those that are among the names. gathered, loose
-- and changed as search_first has them. Null where nothing was gathered.
create function names_begun(p_prefix text, p_named text, p_now timestamptz, p_most int, p_kept int, p_titles int,
    p_each int) returns json
stable language plpgsql set plan_cache_mode = force_generic_plan as $$
declare
    v_first record;
    v_named tsquery := to_tsquery('fig_exact', p_named);
    v_changed bigint[];
    v_few boolean;
    v_looked bigint[];
    v_names json;
    v_also json := '[]';
    v_new json := '[]';
    c_few constant int := 200;
begin
    -- By the index: where those before the last gathering lay, the table begins with thousands of empty pages.
    perform from search_prefixes order by prefix, kind, place limit 1;
    if not found then
        return null;
    end if;
    select * into v_first from search_first(p_now, p_most, '{}', '');
    if v_named is null then
        select json_agg(x.about) into v_names from (
            select n.about from search_prefixes p join search_names n on n.id = p.name_id
                where p.prefix = p_prefix and p.place <= case p.kind when 'title' then p_titles else p_each end
                    order by p.kind, p.place) x;
    else
        select json_agg(x.about) into v_names from (
            select n.about, p.kind, row_number() over (partition by p.kind order by p.place) nth
                from search_prefixes p join search_names n on n.id = p.name_id
                where p.prefix = p_prefix and n.words @@ v_named) x
            where x.nth <= case x.kind when 'title' then p_titles else p_each end;
    end if;
    if v_first.changed::text <> '[]' then
        v_changed := translate(v_first.changed::text, '[]', '{}')::bigint[];
        with named as (select x->>'kind' kind, (x->>'id')::bigint id from json_array_elements(v_names) x)
        select coalesce(json_agg(x), '[]') into v_also from (
            select 'person' kind, contributor_id id, role, title_id title from contributor_title
                where title_id = any(v_changed) and contributor_id in (select id from named where kind = 'person')
            union all select 'series', series_id, '', title_id from search_rows
                where title_id = any(v_changed) and series_id in (select id from named where kind = 'series')
            union all select 'subject', subject_id, '', title_id from subject_title
                where title_id = any(v_changed) and subject_id in (select id from named where kind = 'subject')) x;
        v_few := cardinality(v_changed) <= c_few;
        v_looked := case when v_few then v_changed
            else array(select (x->>'id')::bigint from json_array_elements(v_names) x
                where x->>'kind' = 'title' and (x->>'id')::bigint = any(v_changed)) end;
        v_named := coalesce(v_named, to_tsquery('fig_exact', p_prefix || ':*'));
        select coalesce(json_agg(x order by x.id), '[]') into v_new from (
            select 'title' kind, t.id, '' as role, t.name, t.edition, t.language, t.format, false many, array[t.id] titles
                from titles t
                where t.id = any(v_looked) and to_tsvector('fig_exact', t.name) @@ v_named
            union all select 'person', c.id, o.role, c.name, null, null, null, false, array_agg(o.title_id)
                from contributor_title o join contributors c on c.id = o.contributor_id
                where v_few and o.title_id = any(v_changed) and c.words @@ v_named
                    and not exists (select from contributor_title x
                        where x.contributor_id = c.id and x.title_id <> all(v_changed)) group by c.id, o.role
            union all select 'series', s.id, '', s.name, null, null, null, false, array_agg(o.title_id) from search_rows o
                join series s on s.id = o.series_id
                where v_few and o.title_id = any(v_changed) and s.words @@ v_named
                    and not exists (select from search_rows x
                        where x.series_id = s.id and x.title_id <> all(v_changed)) group by s.id
            union all select 'subject', s.id, '', s.name, null, null, null, false, array_agg(o.title_id)
                from subject_title o join subjects s on s.id = o.subject_id
                where v_few and o.title_id = any(v_changed) and s.words @@ v_named
                    and not exists (select from subject_title x
                        where x.subject_id = s.id and x.title_id <> all(v_changed)) group by s.id) x;
    end if;
    return json_build_object('gathered', v_first.gathered, 'loose', v_first.loose, 'changed', v_first.changed,
        'full', (select json_agg(kind) from search_prefixes where prefix = p_prefix and place = p_kept),
        'names', v_names, 'also', v_also, 'new', v_new, 'looked', coalesce(v_few, true));
end $$;

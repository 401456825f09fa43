-- Titles whole, with the names that lists of them show: people in order as [role, name], the series, subjects as [id,
-- name] by name; and whether it can be opened. People title by title, so that no plan reads through all of them for the
-- few that are wanted; subjects, of which there are few, for all titles together, so that no plan reads through them
-- for each.
create function titles_named(p_titles bigint[]) returns table (title titles, series text, people json, subjects json,
    has_file boolean) stable rows 30 language plpgsql set plan_cache_mode = force_generic_plan as $$
begin
    return query select t, x.name::text,
            (select json_agg(json_build_array(ct.role, c.name) order by ct.position) from contributor_title ct
                join contributors c on c.id = ct.contributor_id where ct.title_id = t.id),
            s.names,
            exists (select from publications f where f.title_id = t.id)
        from titles t left join series x on x.id = t.series_id
            left join (select st.title_id, json_agg(json_build_array(b.id, b.name) order by b.name) names
                from subject_title st join subjects b on b.id = st.subject_id where st.title_id = any(p_titles)
                group by st.title_id) s on s.title_id = t.id
        where t.id = any(p_titles);
end $$;

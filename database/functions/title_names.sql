-- The names that lists of titles show: people in order as [role, name], the series, subjects as [id, name] by name; and whether it can be opened.
create or replace function title_names(p_titles bigint[]) returns table (id bigint, series text, people json, subjects json, has_file boolean) stable language plpgsql set plan_cache_mode = force_generic_plan as $$
begin
    return query select t.id, x.name::text,
            (select json_agg(json_build_array(ct.role, c.name) order by ct.position) from contributor_title ct join contributors c on c.id = ct.contributor_id where ct.title_id = t.id),
            (select json_agg(json_build_array(s.id, s.name) order by s.name) from subject_title st join subjects s on s.id = st.subject_id where st.title_id = t.id),
            exists (select from publications p where p.title_id = t.id)
        from titles t left join series x on x.id = t.series_id where t.id = any(p_titles);
end $$;

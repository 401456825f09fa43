-- The names of titles that are already read.
create function title_names(p_titles bigint[]) returns table (id bigint, series text, people json, subjects json,
    has_file boolean) stable rows 30 language plpgsql set plan_cache_mode = force_generic_plan as $$
begin
    return query select (n.title).id, n.series, n.people, n.subjects, n.has_file from titles_named(p_titles) n;
end $$;

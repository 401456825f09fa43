-- What is not added up yet, until a moment, of one library or (null) of all, by month and title; counted as COUNTER
-- Release 5.1 has it (from memory): of the same action in the same visit within 30 seconds the last counts; what is
-- unique is so in a visit and an hour.
create function usage_counted(p_until timestamptz, p_library bigint)
    returns table (library_id bigint, month date, title_id bigint, searches bigint, investigations bigint,
        unique_investigations bigint, requests bigint, unique_requests bigint, limit_exceeded bigint, no_licence bigint)
    language sql stable as $$
    with told as (
        select e.*, lead(e.happened_at) over (partition by e.library_id, e.visit, e.act, e.title_id, e.words
            order by e.happened_at, e.id) again_at
        from usage_events e
        where e.happened_at < p_until + interval '30 seconds' and (p_library is null or e.library_id = p_library)
    ), counted as (
        select t.library_id, t.visit, t.act, t.title_id, date_trunc('hour', t.happened_at) as hour,
            date_trunc('month', t.happened_at at time zone li.timezone)::date as month,
            t.act in ('reading', 'file') as asked,
            t.act in ('record', 'excerpt', 'citation', 'reading', 'file') as looked
        from told t join libraries li on li.id = t.library_id
        where t.happened_at < p_until and (t.again_at is null or t.again_at > t.happened_at + interval '30 seconds')
    ), by_visit as (
        select c.library_id, c.month, c.title_id, count(*) filter (where c.act = 'search') searches,
            count(*) filter (where c.looked) looked, count(*) filter (where c.asked) asked,
            count(*) filter (where c.act = 'no_copy') no_copy, count(*) filter (where c.act = 'no_licence') no_licence
        from counted c group by c.library_id, c.month, c.title_id, c.visit, c.hour
    )
    select v.library_id, v.month, v.title_id, sum(v.searches)::bigint, sum(v.looked)::bigint,
        count(*) filter (where v.looked > 0), sum(v.asked)::bigint, count(*) filter (where v.asked > 0),
        sum(v.no_copy)::bigint, sum(v.no_licence)::bigint
    from by_visit v group by v.library_id, v.month, v.title_id
$$;

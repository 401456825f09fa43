-- Writes down notices of one kind as each person chose for it, once for one event. Takes [{"person": …, "event": …,
-- "facts": {…}}, …]; gives the numbers of those that are to be mailed, and [notice, device] for each device that is
-- to show one.
create function notices_give(p_kind text, p_notices jsonb, p_at timestamptz) returns json language plpgsql
    set plan_cache_mode = force_generic_plan as $$
declare
    v_result json;
begin
    with told as (
        select e.person, e.event, e.facts, coalesce(n.shown, true) shown, coalesce(n.mailed, true) mailed,
            p.email is not null has_mail,
                array(select d.id from push_devices d where d.person_id = p.id and coalesce(n.pushed, true)) devices
            from jsonb_to_recordset(p_notices) e(person bigint, event text, facts jsonb)
                join people p on p.id = e.person
                left join notice_choices n on n.person_id = p.id and n.kind = p_kind
    ), made as (
        insert into notices (person_id, kind, event_key, facts, created_at, shown)
            select person, p_kind, event, facts, p_at, shown from told where shown or mailed or devices <> '{}'
            on conflict do nothing returning id, person_id, event_key
    ), given as (
        select m.id, t.mailed and t.has_mail as by_mail, t.devices from made m
            join told t on t.person = m.person_id and t.event = m.event_key
    )
    select json_build_object('mail', coalesce((select json_agg(id) from given where by_mail), '[]'),
            'push', coalesce((select json_agg(json_build_array(g.id, device)) from given g cross
                join unnest(g.devices) device), '[]'))
        into v_result;
    return v_result;
end $$;

-- Writes down a notice for a person as they chose for its kind, once for one event. Gives nothing where nothing was written; else the
-- notice, whether it is to be mailed, and the devices that are to show it.
create or replace function notice_give(p_person bigint, p_kind text, p_event text, p_facts jsonb, p_at timestamptz)
    returns table (id bigint, mailed boolean, devices json) language plpgsql set plan_cache_mode = force_generic_plan as $$
declare
    v_shown boolean;
    v_wanted boolean;
    v_mailed boolean;
    v_devices bigint[];
    v_id bigint;
begin
    select coalesce(n.shown, true), coalesce(n.mailed, true), coalesce(n.mailed, true) and p.email is not null,
            array(select d.id from push_devices d where d.person_id = p.id and coalesce(n.pushed, true))
        into v_shown, v_wanted, v_mailed, v_devices
        from people p left join notice_choices n on n.person_id = p.id and n.kind = p_kind where p.id = p_person;
    if v_shown or v_wanted or v_devices <> '{}' then
        insert into notices (person_id, kind, event_key, facts, created_at, shown) values (p_person, p_kind, p_event, p_facts, p_at, v_shown)
            on conflict do nothing returning notices.id into v_id;
    end if;
    if v_id is not null then
        return query select v_id, v_mailed, to_json(v_devices);
    end if;
end $$;

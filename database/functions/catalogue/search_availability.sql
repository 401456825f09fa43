-- Which libraries have a title (by a licence, on paper, as a website), can lend it, always, or by paying for each loan,
-- as search_rows keeps it; and the span of time in which no date of a licence changes that. What cannot be kept,
-- because only the last holds on a spent licence decide it, is never sure.
create function search_availability(p_titles bigint[], p_now timestamptz)
returns table (title_id bigint, held int[], ready int[], always int[], paid int[], sure_from timestamptz,
    sure_until timestamptz) stable language sql as $$
    with known as (
        select li.*, li.ends_at is null or li.ends_at > p_now as runs, licence_has_future(li, p_now) as held,
            li.model <> 'pay_per_loan' and licence_can_lend(li, p_now) as lends
            from licences li where li.title_id = any(p_titles)
    ), by_library as (
        select k.*, lib.id as at_library from known k join libraries o on o.id = k.library_id
            join libraries lib on licence_serves(k.shared, o, lib)
    ), spans as (
        select k.title_id, max(moment) filter (where moment <= p_now) as sure_from,
                case when bool_or(k.runs and not k.held) then '-infinity' else min(moment)
                    filter (where moment > p_now) end as sure_until
            from known k cross join lateral (values (k.starts_at), (k.ends_at)) m(moment) group by k.title_id
    ), libraries_of as (
        select b.title_id, array_agg(distinct at_library) filter (where b.held) as held,
                array_agg(distinct at_library) filter (where lends) as ready,
                array_agg(distinct at_library) filter (where lends
                    and model = 'simultaneous') as always, array_agg(distinct at_library) filter (where runs
                    and model = 'pay_per_loan') as paid
            from by_library b group by b.title_id
    ), elsewhere as (
        select e.title_id, array_agg(distinct e.library_id) as held
            from (select h.title_id, h.library_id from holdings h where h.title_id = any(p_titles)
                union all select k.title_id, k.library_id from links k where k.title_id = any(p_titles)) e
            group by e.title_id
    )
    select t.id, coalesce(l.held, e.held, '{}')::int[], coalesce(l.ready, '{}')::int[], coalesce(l.always, '{}')::int[],
        coalesce(l.paid, '{}')::int[],
            coalesce(s.sure_from, '-infinity'), coalesce(s.sure_until, 'infinity')
        from unnest(p_titles) t(id) left join spans s on s.title_id = t.id left join libraries_of l on l.title_id = t.id
        left join elsewhere e on e.title_id = t.id
$$;

-- Writes it down where it differs. The rows are taken first, in order: what is read after that counts what others have
-- committed.
create function search_refresh(p_titles bigint[], p_now timestamptz) returns int volatile language plpgsql as $$
declare
    v_changed int;
begin
    perform 1 from search_rows r where r.title_id = any(p_titles) order by r.title_id for no key update;
    update search_rows r set held = a.held, ready = a.ready, always = a.always, paid = a.paid,
        sure_from = a.sure_from, sure_until = a.sure_until
        from search_availability(p_titles, p_now) a where r.title_id = a.title_id
            and (r.held, r.ready, r.always, r.paid, r.sure_from, r.sure_until) is distinct
                from (a.held, a.ready, a.always, a.paid, a.sure_from, a.sure_until);
    get diagnostics v_changed = row_count;
    return v_changed;
end $$;

-- A licence changed so that its title may be had by more or fewer: noted now, written down once at commit, when all
-- rows of lending have been taken, so that nobody waits for a licence while holding a row of searching.
create function search_touched() returns trigger language plpgsql as $$
begin
    perform set_config('fig.touched', concat_ws(',', nullif(current_setting('fig.touched', true), ''),
        coalesce(new.title_id, old.title_id)::text), true);
    return null;
end $$;

create function search_settle() returns trigger language plpgsql as $$
declare
    v_touched text := nullif(current_setting('fig.touched', true), '');
begin
    if v_touched is not null then
        perform set_config('fig.touched', '', true);
        perform search_refresh((select array_agg(distinct t)
            from unnest(string_to_array(v_touched, ',')::bigint[]) t), clock_timestamp());
    end if;
    return null;
end $$;

-- Not every loan: only the first copy that comes free and the last that goes (one of the two counts is none), and what
-- staff and dates do. More often than needed where none is left of the other; then nothing is found to have changed. A
-- trigger before an update would take the row by itself before it is written, and a trigger's condition is read anew
-- with each statement, the longer the dearer.
create trigger licences_touch after insert or delete on licences for each row execute function search_touched();
create constraint trigger licences_settle after insert or delete on licences deferrable initially deferred
    for each row execute function search_settle();
create trigger licences_flip after update of copies_free, loans_left on licences
    for each row when (0 in (old.copies_free, new.copies_free, old.loans_left,
        new.loans_left)) execute function search_touched();
create constraint trigger licences_settle_flip after update of copies_free,
    loans_left on licences deferrable initially deferred
    for each row when (0 in (old.copies_free, new.copies_free, old.loans_left,
        new.loans_left)) execute function search_settle();
create trigger licences_change after update of model, starts_at, ends_at, shared, file_came_at on licences for each row
    when ((old.model, old.starts_at, old.ends_at, old.shared, old.file_came_at) is distinct
        from (new.model, new.starts_at, new.ends_at, new.shared, new.file_came_at))
    execute function search_touched();
create constraint trigger licences_settle_change after update of model, starts_at, ends_at, shared, file_came_at on licences
    deferrable initially deferred for each row
    when ((old.model, old.starts_at, old.ends_at, old.shared, old.file_came_at) is distinct
        from (new.model, new.starts_at, new.ends_at, new.shared, new.file_came_at))
    execute function search_settle();

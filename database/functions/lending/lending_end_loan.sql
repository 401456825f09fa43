-- Ends an open loan that is returned: rows in the order card, loan, licence. When nobody waits for the title its copy
-- comes free here and now, in one statement that holds the licence's row for no longer than its own commit. When
-- somebody waits nothing is changed unless p_pass: "awaited" says so, or an error where they came in this very moment.
-- With p_pass the licence stays locked and its copy out of use, for the caller to pass on in the same transaction to
-- whom "line" names. Null when the loan was over already.
create function lending_end_loan(p_loan bigint, p_now timestamptz, p_pass boolean) returns json language plpgsql as $$
declare
    v_card bigint;
    v_loan record;
    v_awaited boolean;
begin
    -- Before anything is locked: most that are waited for are seen here.
    if not p_pass and exists (select from loans l join holds h on h.title_id = l.title_id
        and h.state in ('waiting', 'paused') where l.id = p_loan and l.ended_at is null) then
        return json_build_object('awaited', true);
    end if;
    select id into v_card from cards
        where id = (select card_id from loans where id = p_loan and ended_at is null) for no key update;
    if not found then
        return null;
    end if;
    update loans set ended_at = least(due_at, p_now), end_reason = 'returned'
        where id = p_loan and ended_at is null returning licence_id, title_id into v_loan;
    if not found then
        return null;
    end if;
    update cards set loans_open = loans_open - 1 where id = v_card;

    perform 1 from licences where id = v_loan.licence_id for no key update;
    v_awaited := exists (select from holds where title_id = v_loan.title_id and state in ('waiting', 'paused'));
    if v_awaited and not p_pass then
        raise exception 'others wait' using errcode = 'FP004';
    end if;
    if not v_awaited then
        update licences set copies_free = copies_free + 1 where id = v_loan.licence_id;
    end if;
    return json_build_object('awaited', v_awaited, 'line', case when v_awaited
        then lending_next_in_line(v_loan.licence_id, v_loan.title_id, p_now) end);
end $$;

-- Ends those of many loans that are due, each at its due time, however late this is written down, with a notice of
-- each: rows in the order cards, loans, licences, each by number. Copies that nobody waits for come free here and now.
-- Of those that somebody waits for, one of a title: its licence stays locked and the copy out of use, for the caller to
-- pass on in the same transaction to whom one of "lines" names.
-- "left" is how many stay open, for the caller to come again. Gives the number "ended" and what notices_give gives as
-- "told", too.
create function lending_end_due(p_loans bigint[], p_now timestamptz, p_kind text) returns json language plpgsql as $$
declare
    v_loans bigint[];
    v_awaited bigint[];
    v_passed bigint[];
begin
    perform 1 from cards where id in (select card_id from loans where id = any(p_loans) and ended_at is null)
        order by id for no key update;
    select coalesce(array_agg(id), '{}') into v_loans from (
        select id from loans where id = any(p_loans) and ended_at is null and due_at <= p_now order by id for update) x;
    perform 1 from licences where id in (select licence_id from loans where id = any(v_loans))
        order by id for no key update;
    -- Nobody can join a line while its licences are locked.
    select coalesce(array_agg(l.id), '{}') into v_awaited from loans l where l.id = any(v_loans)
        and exists (select from holds h where h.title_id = l.title_id and h.state in ('waiting', 'paused'));
    if v_awaited <> '{}' then
        select array_agg(id) into v_passed from (select distinct on (title_id) id from loans where id = any(v_awaited)
            order by title_id, due_at, id) x;
        select coalesce(array_agg(id), '{}') into v_loans from unnest(v_loans) id
            where id <> all(v_awaited) or id = any(v_passed);
    end if;

    update loans set ended_at = due_at, end_reason = 'expired' where id = any(v_loans);
    update cards set loans_open = loans_open - x.n from (select card_id, count(*) n from loans where id = any(v_loans)
        group by 1) x where cards.id = x.card_id;
    update licences set copies_free = copies_free + x.n from (select licence_id, count(*) n from loans
        where id = any(v_loans) and id <> all(coalesce(v_passed, '{}')) group by 1) x
        where licences.id = x.licence_id and copies_free is not null;
    return json_build_object('ended', cardinality(v_loans), 'left',
        cardinality(v_awaited) - coalesce(cardinality(v_passed), 0),
        'lines', coalesce((select json_agg(lending_next_in_line(licence_id, title_id, p_now) order by due_at, id)
            from loans where id = any(v_passed)), '[]'),
        'told', notices_give(p_kind, (
            select jsonb_agg(jsonb_build_object('person', c.person_id, 'event', 'loan-ended:' || l.id, 'facts',
                jsonb_build_object('title', l.title_id, 'name', t.name)))
                from loans l join cards c on c.id = l.card_id join titles t on t.id = l.title_id
                    where l.id = any(v_loans)), p_now));
end $$;

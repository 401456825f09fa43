-- Takes a licence's row, so that nobody can join the line meanwhile, and gives it with the next hold that may take its
-- copy, and with the rules of that card's library: the library's own line first, then, if the licence is shared, the
-- others'. Rows locked by another are being made ready, borrowed or cancelled at this moment: not ours to give.
create function lending_next_in_line(p_licence bigint, p_title bigint,
    p_now timestamptz) returns json language plpgsql as $$
declare
    v_licence licences%rowtype;
    v_hold record;
    v_next json;
begin
    select * into v_licence from licences where id = p_licence for no key update;
    select h.id, h.card_id, h.library_id, h.line_at, h.misses, h.kept_seconds, h.borrow_at_once into v_hold from holds h
        where h.title_id = p_title and h.state in ('waiting', 'paused')
            and exists (select from libraries o, libraries lib
                where o.id = v_licence.library_id and lib.id = h.library_id and licence_serves(v_licence.shared, o, lib))
            and exists (select from cards c where c.id = h.card_id and hold_can_be_filled(h, c, p_now))
        order by h.library_id <> v_licence.library_id, h.line_at, h.id limit 1 for no key update of h skip locked;
    if found then
        select json_build_object('id', v_hold.id, 'title', p_title, 'library', v_hold.library_id, 'line_at',
            v_hold.line_at, 'misses', v_hold.misses, 'kept_seconds', v_hold.kept_seconds,
                'at_once', v_hold.borrow_at_once, 'person', c.person_id, 'group', c.patron_group, 'format', t.format,
                    'name', t.name, 'timezone', lib.timezone,
                'rules', (select json_agg(r) from loan_rules r where r.library_id = c.library_id))
            into v_next from cards c join libraries lib on lib.id = c.library_id, titles t
                where c.id = v_hold.card_id and t.id = p_title;
    end if;
    return json_build_object('licence', row_to_json(v_licence), 'next', v_next);
end $$;

-- Keeps copies that are out of use for holds, and with each so many of its licence's counted loans: [{"hold": …,
-- "licence": …, "until": …, "loans": …}, …]. Tells of it as notices_give does, and gives what that gives.
create function lending_keep(p_copies jsonb, p_now timestamptz, p_kind text,
    p_notices jsonb) returns json language plpgsql as $$
declare
    v_copy record;
begin
    for v_copy in select * from jsonb_to_recordset(p_copies) x(hold bigint, licence bigint, until timestamptz,
        loans int) loop
        update holds set state = 'ready', licence_id = v_copy.licence, ready_at = p_now, kept_until = v_copy.until,
            paused_until = null, told = false
            where id = v_copy.hold;
        if v_copy.loans > 0 then
            update licences set loans_left = loans_left - v_copy.loans
                where id = v_copy.licence and loans_left is not null;
        end if;
    end loop;
    return notices_give(p_kind, p_notices, p_now);
end $$;

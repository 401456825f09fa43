-- Takes a licence's row, so that nobody can join the line meanwhile, and gives it with the next hold that may take its copy, and with the
-- rules of that card's library: the library's own line first, then, if the licence is shared, the others'. Rows locked by another are being
-- made ready, borrowed or cancelled at this moment: not ours to give.
create or replace function lending_next_in_line(p_licence bigint, p_title bigint, p_now timestamptz) returns json language plpgsql as $$
declare
    v_licence licences%rowtype;
    v_hold record;
    v_next json;
begin
    select * into v_licence from licences where id = p_licence for no key update;
    select h.id, h.card_id, h.library_id, h.line_at, h.misses, h.kept_seconds, h.borrow_at_once into v_hold from holds h
        where h.title_id = p_title and (h.state = 'waiting' or h.state = 'paused' and h.paused_until <= p_now)
            and (h.library_id = v_licence.library_id or v_licence.shared)
            and exists (select from cards c where c.id = h.card_id and c.blocked_at is null and (c.expires_at is null or c.expires_at > p_now))
        order by h.library_id <> v_licence.library_id, h.line_at, h.id limit 1 for no key update of h skip locked;
    if found then
        select json_build_object('id', v_hold.id, 'library', v_hold.library_id, 'line_at', v_hold.line_at, 'misses', v_hold.misses, 'kept_seconds', v_hold.kept_seconds,
                'at_once', v_hold.borrow_at_once, 'person', c.person_id, 'group', c.patron_group, 'format', t.format, 'name', t.name, 'timezone', lib.timezone,
                'rules', (select json_agg(r) from loan_rules r where r.library_id = c.library_id))
            into v_next from cards c join libraries lib on lib.id = c.library_id, titles t where c.id = v_hold.card_id and t.id = p_title;
    end if;
    return json_build_object('licence', row_to_json(v_licence), 'next', v_next);
end $$;

-- Keeps a copy that is out of use for a hold, and with it so many of the licence's counted loans.
create or replace function lending_keep(p_hold bigint, p_licence bigint, p_now timestamptz, p_until timestamptz, p_loans int) returns void language plpgsql as $$
begin
    update holds set state = 'ready', licence_id = p_licence, ready_at = p_now, kept_until = p_until, paused_until = null, told = false where id = p_hold;
    if p_loans > 0 then
        update licences set loans_left = loans_left - p_loans where id = p_licence and loans_left is not null;
    end if;
end $$;

-- All that a decision about one card and one title needs, in one round trip and without locks. A function of small
-- statements, because a session keeps their plans, and what a card does not have is not asked for. Null when the card
-- or the title does not exist.
create function lending_facts(p_card bigint, p_title bigint,
    p_now timestamptz) returns json stable language plpgsql as $$
declare
    v_card record;
    v_title record;
    v_licences json;
    v_loans json;
    v_holds json;
begin
    select c.id, c.library_id, c.person_id, c.patron_group, c.blocked_at, c.block_reason, c.expires_at, c.loans_open,
        c.holds_open, c.pay_month, c.pay_loans, lib.timezone
        into v_card from cards c join libraries lib on lib.id = c.library_id where c.id = p_card;
    select t.format, t.audience into v_title from titles t where t.id = p_title;
    if v_card.id is null or v_title.format is null then
        return null;
    end if;
    select json_agg(x order by x.id) into v_licences from (
        select li.id, li.library_id, li.model, li.copies, li.copies_free, li.loans_left, li.starts_at, li.ends_at,
            li.file_came_at, li.price_cents,
            case when li.model = 'pay_per_loan' then pay_per_loan_left(li.library_id, p_now) end as budget_left
        from licences li join libraries o on o.id = li.library_id join libraries lib on lib.id = v_card.library_id
            where li.title_id = p_title and licence_serves(li.shared, o, lib)) x;
    if v_card.loans_open > 0 then
        select json_agg(json_build_object('id', o.id, 'name', ot.name, 'due', o.due_at, 'own', o.title_id = p_title,
            'short', o.length like '%h',
            'over', o.due_at <= p_now,
            'of_format', ot.format = v_title.format) order by o.due_at) into v_loans
            from loans o join titles ot on ot.id = o.title_id where o.card_id = p_card and o.ended_at is null;
    end if;
    if v_card.holds_open > 0 then
        select json_agg(json_build_object('id', h.id, 'own', h.title_id = p_title, 'kept', case
            when h.kept_until > p_now then h.licence_id end,
            'of_format', ht.format = v_title.format)) into v_holds
            from holds h join titles ht on ht.id = h.title_id where h.card_id = p_card and h.closed_at is null;
    end if;
    return json_build_object(
        'card', v_card.id, 'library', v_card.library_id, 'person', v_card.person_id, 'group', v_card.patron_group,
            'blocked', v_card.blocked_at is not null, 'block_reason', v_card.block_reason,
        'expires_at', v_card.expires_at, 'loans_open', v_card.loans_open, 'holds_open', v_card.holds_open, 'timezone',
            v_card.timezone,
        'format', v_title.format, 'audience', v_title.audience,
        'own_length', (select o.length from own_lengths o
            where o.person_id = v_card.person_id and o.format = v_title.format),
        'pay_loans', case when v_card.pay_month = date_trunc('month', p_now at time zone v_card.timezone)::date
            then v_card.pay_loans else 0 end,
        'rules', (select json_agg(r) from loan_rules r where r.library_id = v_card.library_id),
        'licences', v_licences, 'loans', v_loans, 'holds', v_holds);
end $$;

-- All that a decision about one card and one title needs, in one round trip and without locks. A function, because a session
-- keeps its plan: planning would cost twice the reading. Null when the card or the title does not exist.
create or replace function lending_facts(p_card bigint, p_title bigint, p_now timestamptz) returns json stable language plpgsql as $$
declare
    v_facts json;
begin
    select json_build_object(
        'card', c.id, 'library', c.library_id, 'person', c.person_id, 'group', c.patron_group, 'blocked', c.blocked_at is not null, 'expires_at', c.expires_at,
        'loans_open', c.loans_open, 'holds_open', c.holds_open, 'timezone', lib.timezone, 'format', t.format, 'audience', t.audience,
        'own_length', (select length from own_lengths o where o.person_id = c.person_id and o.format = t.format),
        'pay_loans', case when c.pay_month = date_trunc('month', p_now at time zone lib.timezone)::date then c.pay_loans else 0 end,
        'rules', (select json_agg(r) from loan_rules r where r.library_id = c.library_id),
        'licences', (select json_agg(x order by x.id) from (
            select li.*, case when li.model = 'pay_per_loan' then pay_per_loan_left(li.library_id, p_now) end as budget_left
            from licences li where li.title_id = p_title and (li.library_id = c.library_id
                or li.shared and li.library_id in (select id from libraries where consortium_id = lib.consortium_id))) x),
        'loans', (select json_agg(json_build_object('id', o.id, 'name', ot.name, 'due', o.due_at, 'own', o.title_id = p_title, 'over', o.due_at <= p_now,
            'of_format', ot.format = t.format) order by o.due_at) from loans o join titles ot on ot.id = o.title_id where o.card_id = p_card and o.ended_at is null),
        'holds', (select json_agg(json_build_object('id', h.id, 'own', h.title_id = p_title, 'kept', case when h.kept_until > p_now then h.licence_id end,
            'of_format', ht.format = t.format)) from holds h join titles ht on ht.id = h.title_id where h.card_id = p_card and h.closed_at is null)
    ) into v_facts
    from cards c join libraries lib on lib.id = c.library_id cross join titles t where c.id = p_card and t.id = p_title;
    return v_facts;
end $$;

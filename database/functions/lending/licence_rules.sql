-- The rules of core/Lending that questions to many rows need, each in one place; tests/App/Lending/LicenceRulesTest
-- holds them against the core's. Of one expression each, so that the planner puts them in where they are called.

-- Core's Licence::hasFuture: may still lend, now or some day.
create function licence_has_future(li licences, p_now timestamptz) returns boolean immutable parallel safe language sql
as $$
    select (li.ends_at is null or li.ends_at > p_now) and (li.loans_left is null or li.loans_left > 0)
$$;

-- Core's Licence::isLive, but for the month's budget of pay per loan.
create function licence_is_live(li licences, p_now timestamptz) returns boolean immutable parallel safe language sql
as $$
    select li.file_came_at is not null and li.starts_at <= p_now and (li.ends_at is null or li.ends_at > p_now)
        and (li.loans_left is null or li.loans_left > 0)
$$;

-- Core's Licence::canLend, but for the month's budget.
create function licence_can_lend(li licences, p_now timestamptz) returns boolean immutable parallel safe language sql
as $$
    select li.file_came_at is not null and li.starts_at <= p_now and (li.ends_at is null or li.ends_at > p_now)
        and (li.loans_left is null or li.loans_left > 0) and (li.copies_free is null or li.copies_free > 0)
$$;

-- Core's LicenceReach: whether a licence lends to the patrons of a library.
create function licence_serves(p_shared boolean, p_owner libraries, p_at libraries) returns boolean immutable
parallel safe language sql as $$
    select p_at.id = p_owner.id or p_shared and p_at.consortium_id = p_owner.consortium_id
$$;

-- Core's HoldInLine: neither paused nor done with, and its card may borrow.
create function hold_can_be_filled(h holds, c cards, p_now timestamptz) returns boolean immutable parallel safe
language sql as $$
    select (h.state = 'waiting' or h.state = 'paused' and h.paused_until <= p_now)
        and c.blocked_at is null and (c.expires_at is null or c.expires_at > p_now)
$$;

-- What is left of a library's budget for pay per loan in the month, by its own calendar, that a moment lies in; in
-- cents.
-- Of plpgsql, so that it is planned once and not with each question about licences.
create function pay_per_loan_left(p_library bigint, p_now timestamptz) returns int stable parallel safe language
    plpgsql as $$
begin
    return (select coalesce(
        (select budget_cents - spent_cents from pay_per_loan_months m
            where m.library_id = lib.id and m.month = date_trunc('month', p_now at time zone lib.timezone)::date),
        lib.pay_per_loan_budget_cents)
    from libraries lib where lib.id = p_library);
end $$;

-- What is licensed is lent here; what stands on paper or on the web is told of. A title is the one or the other.
create function elsewhere_check() returns trigger language plpgsql as $$
declare
    v_format text := (select format from titles where id = new.title_id);
begin
    if v_format is not null and (case tg_table_name when 'holdings' then v_format <> 'paper'
        when 'links' then v_format <> 'website' else v_format in ('paper', 'website') end) then
        raise exception 'title % is of format %: no row of %', new.title_id, v_format, tg_table_name
            using errcode = 'check_violation';
    end if;
    return new;
end $$;

create trigger licences_lent before insert or update of title_id on licences
    for each row execute function elsewhere_check();
create trigger holdings_paper before insert or update of title_id on holdings
    for each row execute function elsewhere_check();
create trigger links_web before insert or update of title_id on links
    for each row execute function elsewhere_check();

-- Found as the library's from then on, and no more when the last of it goes.
create trigger holdings_touch after insert or delete on holdings for each row execute function search_touched();
create constraint trigger holdings_settle after insert or delete on holdings deferrable initially deferred
    for each row execute function search_settle();
create trigger links_touch after insert or delete on links for each row execute function search_touched();
create constraint trigger links_settle after insert or delete on links deferrable initially deferred
    for each row execute function search_settle();

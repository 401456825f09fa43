-- Titles that have changed since their sets were gathered: searching looks at each of them by itself. The trigger says of which gathering
-- the change is; nothing is noted where nothing was gathered. What a loan changes every time (times_borrowed) is in no set.
create or replace function search_loosen() returns trigger language plpgsql as $$
begin
    insert into search_loose (title_id, of) select coalesce(new.title_id, old.title_id), gathered from unnest(tg_argv) gathered where exists (select from search_gatherings g where g.of = gathered);
    return null;
end $$;

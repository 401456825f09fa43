-- Titles that have changed since their sets were gathered: searching looks at each of them by itself. The trigger says
-- of which gathering the change is; nothing is noted where nothing was gathered. What a loan changes every time
-- (times_borrowed) is in no set.
create function search_note_change() returns trigger language plpgsql as $$
begin
    insert into search_index_changes (title_id, of) select coalesce(new.title_id, old.title_id), gathered
        from unnest(tg_argv) gathered where exists (select from search_gatherings g where g.of = gathered);
    return null;
end $$;

create trigger search_rows_come_or_go after insert or delete on search_rows
    for each row execute function search_note_change('records', 'lending');
create trigger search_rows_told after update of format, audience, language, year, level, series_id, stems, exact,
    supplied, subjects, awards, publisher, ages
    on search_rows for each row execute function search_note_change('records');
create trigger search_rows_lent after update of held, ready, always, paid on search_rows
    for each row execute function search_note_change('lending');

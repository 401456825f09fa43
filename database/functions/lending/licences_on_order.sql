-- A licence lends from the moment at which the file of its title is here (file_came_at); until then it is on order. Both
-- triggers take the title's row, so that a licence and a file that come at once know of each other.
create function licences_know_their_file() returns trigger language plpgsql as $$
begin
    if new.file_came_at is null then
        perform 1 from titles where id = new.title_id for key share;
        new.file_came_at := (select came_at from publications where title_id = new.title_id);
    end if;
    return new;
end $$;

create trigger licences_file before insert on licences for each row execute function licences_know_their_file();

create function publications_come_or_go() returns trigger language plpgsql as $$
begin
    if tg_op = 'INSERT' then
        perform 1 from titles where id = new.title_id for update;
        update licences set file_came_at = new.came_at where title_id = new.title_id and file_came_at is null;
    else
        update licences set file_came_at = null where title_id = old.title_id;
    end if;
    return null;
end $$;

create trigger publications_lend after insert or delete on publications
    for each row execute function publications_come_or_go();

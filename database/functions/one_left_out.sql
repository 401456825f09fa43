-- A word, and what each of its letters leaves when it is left out. Two words of which one letter is wrong, missing or too many, or of which
-- two neighbours have changed places, have one of these in common.
create or replace function one_left_out(word text) returns text[] immutable strict parallel safe language sql as $$
    select array_agg(distinct left(word, n - 1) || substr(word, n + 1)) from generate_series(1, length(word) + 1) n
$$;

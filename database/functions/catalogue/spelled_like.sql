-- The word of the records that is most like one, with so many letters at the most that are wrong, missing or too many
-- (Levenshtein's distance); of those alike the one with the most titles. Where p_begins, as much of it is compared as
-- there is of the word. Null where none is.
create function spelled_like(p_word text, p_begins boolean, p_slips int) returns text stable language plpgsql as $$
declare
    v_better text;
begin
    -- One slip, which is most of them; by the trigrams only what is further off.
    select word into v_better from search_words where one_left_out(word) && one_left_out(p_word)
        and levenshtein(word, p_word) <= p_slips
        order by levenshtein(word, p_word), similarity(word, p_word) desc, titles desc, word limit 1;
    if v_better is null then
        select word into v_better from (
            select word, titles, levenshtein(case when p_begins then left(word, length(p_word)) else word
                end, p_word) slips from search_words where word % p_word) x
            where slips <= p_slips order by slips, similarity(word, p_word) desc, titles desc, word limit 1;
    end if;
    return v_better;
end $$;

-- The words of a record as searching reads them: folded texts of four ranks (title; people; series, publisher, awards,
-- subjects and numbers; description), by the stems of the record's language. The words of the first two ranks stand
-- once more with "t." before them, so that the index alone can tell titles that are called so from those in which the
-- word occurs. "0apart0" parts names: no phrase reaches from one into the next.
create function search_stems(p_language text, p_a text, p_b text, p_c text,
    p_d text) returns tsvector immutable parallel safe language plpgsql as $$
declare
    v_config regconfig := case p_language when 'en' then 'fig_en' when 'es' then 'fig_es' else 'fig_exact'
        end::regconfig;
    v_names tsvector := setweight(to_tsvector(v_config, p_a), 'A') || setweight(to_tsvector(v_config, p_b), 'B');
begin
    return ts_delete(v_names || setweight(to_tsvector(v_config, p_c), 'C') || setweight(to_tsvector(v_config, p_d),
        'D'), '0apart0')
        || coalesce((select array_to_tsvector(array_agg('t.' || lexeme))
            from unnest(tsvector_to_array(v_names)) lexeme where lexeme <> '0apart0'), '');
end $$;

create function search_exact(p_a text, p_b text, p_c text,
    p_d text) returns tsvector immutable parallel safe language sql as $$
    select ts_delete(setweight(to_tsvector('fig_exact', p_a), 'A') || setweight(to_tsvector('fig_exact', p_b),
        'B') || setweight(to_tsvector('fig_exact', p_c), 'C') || setweight(to_tsvector('fig_exact', p_d), 'D'),
        '0apart0')
$$;

-- A question to the stems as one to titles and people alone.
create function search_names(p_query tsquery) returns tsquery immutable parallel safe language sql as $$
    select regexp_replace(replace(p_query::text, '<->', '&'), '''([^'']+)''', '''t.\1''', 'g')::tsquery
$$;

-- Writes records, of one title or of many: their works, the people, series and subjects that they name, the titles, and
-- the rows and words by which they are found; in this order, and in each table by its key, so that of two who write at
-- once neither waits for the other in a circle. What stands in p_records, one of each record_key: SaveRecord.
create function records_save(p_records jsonb, p_now timestamptz)
returns table (key text, id bigint) volatile language plpgsql as $$
#variable_conflict use_column
declare
    v_titles bigint[];
    v_record record;
begin
    insert into works (match_key, name)
        select distinct on (r.work_key) r.work_key, r.name
            from jsonb_to_recordset(p_records) r(work_key text, name text)
            where not exists (select from works w where w.match_key = r.work_key) order by r.work_key
        on conflict (match_key) do nothing;

    -- Whatever they are called, records that name the same work are of one: of that which had the identifier first. One
    -- after the other, as each may know what the one before has told; in order, as above.
    perform pg_advisory_xact_lock(lock) from (select distinct hashtextextended(identifier, 7) as lock
        from jsonb_to_recordset(p_records) r(works jsonb), jsonb_array_elements_text(r.works) identifier
        order by 1) locks;
    for v_record in
        select r.works, w.id as own, known.work_said is not null as is_said
            from rows from (jsonb_to_recordset(p_records) as (work_key text, record_key text, works jsonb))
                    with ordinality r(work_key, record_key, works, n)
                left join titles known on known.record_key = r.record_key
                join works w on w.match_key = coalesce(known.work_said, r.work_key)
            where r.works <> '[]' order by r.n
    loop
        insert into work_identifiers (identifier, work_id)
            select identifier, case when v_record.is_said then v_record.own
                    else coalesce(work_named(v_record.works), v_record.own) end
                from jsonb_array_elements_text(v_record.works) identifier
            on conflict (identifier) do nothing;
    end loop;

    insert into series (name, words)
        select distinct on (s.name) s.name, entry_words(s.folded)
            from (select r.series ->> 'name' as name, r.series ->> 'folded' as folded
                from jsonb_to_recordset(p_records) r(series jsonb)) s
            where s.name is not null and not exists (select from series n where n.name = s.name) order by s.name
        on conflict (name) do nothing;

    insert into contributors (name, sort_name, words)
        select distinct on (p.name) p.name, p.sort, entry_words(p.folded)
            from rows from (jsonb_to_recordset(p_records) as (people jsonb)) with ordinality r(people, n)
                cross join lateral rows from (jsonb_to_recordset(r.people) as (name text, sort text, folded text))
                    with ordinality p(name, sort, folded, n)
            where not exists (select from contributors c where c.name = p.name) order by p.name, r.n, p.n
        on conflict (name) do nothing;

    insert into subjects (name, words)
        select distinct on (s.name) s.name, entry_words(s.folded)
            from jsonb_to_recordset(p_records) r(subjects jsonb), jsonb_to_recordset(r.subjects) s(name text, folded text)
            where not exists (select from subjects n where n.name = s.name) order by s.name
        on conflict (name) do nothing;

    insert into titles as t (work_id, record_key, format, name, subtitle, edition, language, audience, description,
            publisher, published, isbn, identifiers, numbers, series_id, series_position, extent, extent_seconds,
            accessibility, awards, works, level, fiction, age_from, age_to, added_at)
        select case when known.work_said is null then coalesce(work_named(r.works), w.id) else w.id end,
                r.record_key, r.format, r.name, r.subtitle, r.edition, r.language, r.audience, r.description,
                r.publisher, r.published, r.isbn, r.identifiers, r.numbers, s.id, r.series_position, r.extent,
                r.extent_seconds, r.accessibility, r.awards, r.works, r.level, r.fiction, r.age_from, r.age_to, p_now
            from jsonb_to_recordset(p_records) r(work_key text, record_key text, format text, name text, subtitle text,
                    edition text, language text, audience text, description text, publisher text, published text,
                    isbn text, identifiers jsonb, numbers text[], series jsonb, series_position numeric, extent int,
                    extent_seconds int, accessibility jsonb, awards jsonb, works jsonb, level numeric, fiction boolean,
                    age_from int, age_to int)
                left join titles known on known.record_key = r.record_key
                join works w on w.match_key = coalesce(known.work_said, r.work_key) left join series s on s.name = r.series ->> 'name'
            order by r.record_key
        on conflict (record_key) do update set work_id = excluded.work_id, format = excluded.format,
            name = excluded.name, subtitle = excluded.subtitle, edition = excluded.edition,
            language = excluded.language, audience = excluded.audience, description = excluded.description,
            publisher = excluded.publisher, published = excluded.published, isbn = excluded.isbn,
            identifiers = excluded.identifiers, numbers = excluded.numbers, series_id = excluded.series_id,
            series_position = excluded.series_position, extent = excluded.extent,
            extent_seconds = excluded.extent_seconds, accessibility = excluded.accessibility,
            awards = excluded.awards, works = excluded.works, level = excluded.level, fiction = excluded.fiction,
            age_from = excluded.age_from, age_to = excluded.age_to;

    v_titles := (select array_agg(t.id) from jsonb_to_recordset(p_records) r(record_key text)
        join titles t on t.record_key = r.record_key);

    delete from contributor_title ct where ct.title_id = any(v_titles);
    insert into contributor_title (title_id, contributor_id, role, "position")
        select t.id, c.id, p.role, p.n - 1
            from jsonb_to_recordset(p_records) r(record_key text, people jsonb)
                join titles t on t.record_key = r.record_key
                cross join lateral rows from (jsonb_to_recordset(r.people) as (name text, role text))
                    with ordinality p(name, role, n)
                join contributors c on c.name = p.name order by t.id, p.n
        on conflict do nothing;

    delete from subject_title st where st.title_id = any(v_titles) and not exists (
        select from jsonb_to_recordset(p_records) r(record_key text, subjects jsonb)
            join titles t on t.record_key = r.record_key
            cross join lateral jsonb_to_recordset(r.subjects) s(name text)
            join subjects n on n.name = s.name where t.id = st.title_id and n.id = st.subject_id);
    insert into subject_title (title_id, subject_id)
        select t.id, n.id
            from jsonb_to_recordset(p_records) r(record_key text, subjects jsonb)
                join titles t on t.record_key = r.record_key
                cross join lateral jsonb_to_recordset(r.subjects) s(name text)
                join subjects n on n.name = s.name order by t.id, n.id
        on conflict do nothing;

    insert into search_rows (title_id, format, audience, language, year, level, series_id, times_borrowed, added_at,
            fiction, age_from, age_to, publisher, awards, subjects, stems, exact)
        select t.id, t.format, t.audience, nullif(left(r.stemmed, 8), ''), left(t.published, 4)::smallint, t.level,
                t.series_id, t.times_borrowed, t.added_at, t.fiction, r.for_from, r.for_to,
                nullif(btrim(t.publisher, E' \t\n\r\x0b'), ''), array(select jsonb_array_elements_text(t.awards)),
                array(select st.subject_id::int from subject_title st where st.title_id = t.id),
                search_stems(r.stemmed, r.texts[1], r.texts[2], r.texts[3], r.texts[4]),
                search_exact(r.texts[1], r.texts[2], r.texts[3], r.texts[4])
            from jsonb_to_recordset(p_records) r(record_key text, stemmed text, texts text[], for_from int, for_to int)
                join titles t on t.record_key = r.record_key order by t.id
        on conflict (title_id) do update set format = excluded.format, audience = excluded.audience,
            language = excluded.language, year = excluded.year, level = excluded.level,
            series_id = excluded.series_id, times_borrowed = excluded.times_borrowed, added_at = excluded.added_at,
            fiction = excluded.fiction, age_from = excluded.age_from, age_to = excluded.age_to,
            publisher = excluded.publisher, awards = excluded.awards, subjects = excluded.subjects,
            stems = excluded.stems, exact = excluded.exact;

    insert into search_words (word, titles)
        select word, count(*) from jsonb_to_recordset(p_records) r(words text[]), unnest(r.words) word
            group by word order by word
        on conflict (word) do update set titles = search_words.titles + excluded.titles;

    return query select t.record_key::text, t.id from titles t where t.id = any(v_titles);
end $$;

-- The work that has one of the identifiers; the oldest, where they are of several; null where none is known.
create function work_named(p_identifiers jsonb) returns bigint stable language sql as $$
    select min(work_id) from work_identifiers
        where identifier in (select jsonb_array_elements_text(p_identifiers))
$$;

-- The words of a name, which says no language: in every form.
create function entry_words(p_folded text) returns tsvector immutable parallel safe language sql as $$
    select to_tsvector('fig_exact', p_folded) || to_tsvector('fig_en', p_folded) || to_tsvector('fig_es', p_folded)
$$;

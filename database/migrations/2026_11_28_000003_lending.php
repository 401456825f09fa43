<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Cards, rules, licences, loans, holds and requests. The invariants of lending stand here as constraints: counts stay
 * within what was bought, a card has a title on loan once and is in line for it once, a copy is kept exactly for ready
 * holds, and a loan's licence is one of its title.
 */
return new class extends Migration {
    public function up(): void
    {
        // In a database from before, "from_before" has made these tables what they are here.
        if (Schema::hasTable('loans')) {
            return;
        }
        DB::unprepared(
            <<<'SQL'
            create table cards (
                id bigserial,
                library_id bigint not null,
                person_id bigint not null,
                number varchar(32) not null,
                pin_hash varchar(255),
                patron_group varchar(24) not null,
                expires_at timestamptz(0),
                blocked_at timestamptz(0),
                loans_open integer default 0 not null,
                holds_open integer default 0 not null,
                pay_month date,
                pay_loans integer default 0 not null,
                constraint cards_counts check ((loans_open >= 0) and (holds_open >= 0)),
                constraint cards_library_id_number_unique unique (library_id, number),
                constraint cards_pkey primary key (id),
                constraint cards_library_id_foreign foreign key (library_id) references libraries(id),
                constraint cards_person_id_foreign foreign key (person_id) references people(id)
            ) with (fillfactor=60);
            create index cards_person_id_index on cards (person_id);
            comment on column cards.pay_month is 'the month that pay_loans counts';

            create table loan_rules (
                id bigserial,
                library_id bigint not null,
                patron_group varchar(24),
                format varchar(12),
                max_loans integer,
                max_holds integer,
                lengths jsonb,
                default_length varchar(6),
                renewal_window_days integer,
                max_renewals integer,
                hold_kept_hours integer,
                pay_per_loan_monthly integer,
                audience_ceiling varchar(8),
                constraint loan_rules_pkey primary key (id),
                constraint loan_rules_library_id_foreign foreign key (library_id) references libraries(id)
            );
            create unique index loan_rules_one on loan_rules (library_id, coalesce(patron_group, ''), coalesce(format,
                ''));
            comment on column loan_rules.lengths is '["7d","14d","1h"]';

            create table own_lengths (
                person_id bigint not null,
                format varchar(12) not null,
                length varchar(6) not null,
                constraint own_lengths_pkey primary key (person_id, format),
                constraint own_lengths_person_id_foreign foreign key (person_id) references people(id) on delete cascade
            );

            create table licences (
                id bigserial,
                library_id bigint not null,
                title_id bigint not null,
                model varchar(20) not null,
                copies integer,
                copies_free integer,
                loans_bought integer,
                loans_left integer,
                starts_at timestamptz(0) not null,
                ends_at timestamptz(0),
                price_cents integer default 0 not null,
                shared boolean default false not null,
                added_at timestamptz(0) default current_timestamp not null,
                pages_allowed integer default 20,
                chapters_as_pdf boolean default false not null,
                offline boolean default true not null,
                download boolean default false not null,
                constraint licences_copies check ((copies_free >= 0) and (copies_free <= copies)),
                constraint licences_loans check ((loans_left >= 0) and (loans_left <= loans_bought)),
                constraint licences_id_title_id_unique unique (id, title_id),
                constraint licences_pkey primary key (id),
                constraint licences_library_id_foreign foreign key (library_id) references libraries(id),
                constraint licences_title_id_foreign foreign key (title_id) references titles(id)
            ) with (fillfactor=50);
            create index licences_added on licences (library_id, added_at);
            create index licences_counted on licences (library_id) where (loans_bought is not null);
            create index licences_ending on licences (library_id, ends_at) where (ends_at is not null);
            create index licences_library_id_index on licences (library_id);
            create index licences_title_id_library_id_index on licences (title_id, library_id);
            comment on column licences.loans_left is 'neither lent nor kept for a ready hold';
            comment on column licences.pages_allowed is
                'that each loan may print or copy; null for as many as one likes';
            comment on column licences.offline is 'may be taken offline';
            comment on column licences.download is 'its files may be had without protection';

            create table loans (
                id bigserial,
                card_id bigint,
                title_id bigint not null,
                licence_id bigint not null,
                length varchar(6) not null,
                started_at timestamptz(0) not null,
                due_at timestamptz(0) not null,
                ended_at timestamptz(0),
                end_reason varchar(12),
                renewals smallint default '0' not null,
                told smallint default '0' not null,
                paid_cents integer,
                constraint loans_due check (due_at > started_at),
                constraint loans_end check ((ended_at is null) = (end_reason is null)),
                constraint loans_open_have_card check ((ended_at is not null) or (card_id is not null)),
                constraint loans_pkey primary key (id),
                constraint loans_card_id_foreign foreign key (card_id) references cards(id) deferrable initially
                    deferred,
                constraint loans_licence_id_title_id_foreign foreign key (licence_id, title_id) references licences(id,
                    title_id) deferrable initially deferred
            );
            create index loans_due_open on loans (due_at) where (ended_at is null);
            create index loans_history on loans (card_id, ended_at) where ((ended_at is not null) and (card_id is not
                null));
            create index loans_licence on loans (licence_id, ended_at);
            create unique index loans_one_open on loans (card_id, title_id) where (ended_at is null);
            comment on column loans.told is '1: that it is due in 3 days; 2: that it is due tomorrow';
            comment on column loans.paid_cents is 'pay per loan: what this loan and its renewals cost';

            create table holds (
                id bigserial,
                card_id bigint,
                library_id bigint not null,
                title_id bigint not null,
                state varchar(10) not null,
                placed_at timestamptz(0) not null,
                line_at timestamptz(6) not null,
                paused_until timestamptz(0),
                misses smallint default '0' not null,
                licence_id bigint,
                ready_at timestamptz(0),
                kept_until timestamptz(0),
                closed_at timestamptz(0),
                borrow_at_once boolean default false not null,
                kept_seconds integer default 0 not null,
                told boolean default false not null,
                constraint holds_closed check ((state in ('filled', 'cancelled', 'lapsed')) = (closed_at is not null)),
                constraint holds_open_have_card check ((closed_at is not null) or (card_id is not null)),
                constraint holds_paused check ((state = 'paused') = (paused_until is not null)),
                constraint holds_ready check ((state = 'ready') = ((kept_until is not null)
                    and (licence_id is not null))),
                constraint holds_state check (state in ('waiting', 'paused', 'ready', 'filled', 'cancelled', 'lapsed')),
                constraint holds_pkey primary key (id),
                constraint holds_card_id_foreign foreign key (card_id) references cards(id),
                constraint holds_library_id_foreign foreign key (library_id) references libraries(id),
                constraint holds_licence_id_title_id_foreign foreign key (licence_id, title_id) references licences(id,
                    title_id),
                constraint holds_title_id_foreign foreign key (title_id) references titles(id)
            );
            create index holds_at_once on holds (ready_at) where ((state = 'ready') and borrow_at_once);
            create index holds_closed on holds (closed_at) where ((card_id is not null) and (closed_at is not null));
            create index holds_kept on holds (kept_until) where (state = 'ready');
            create index holds_library on holds (library_id, title_id) where (closed_at is null);
            create index holds_line on holds (title_id, line_at, id)
                where ((state)::text = ANY ((ARRAY['waiting'::character
                varying, 'paused'::character varying])::text[]));
            create index holds_of_licence on holds (licence_id) where (closed_at is null);
            create unique index holds_one_open on holds (card_id, title_id) where (closed_at is null);
            create index holds_paused on holds (paused_until) where (state = 'paused');
            create index holds_ready_licence on holds (licence_id) where (state = 'ready');
            comment on column holds.kept_seconds is 'for which copies were kept for it in vain';
            comment on column holds.told is 'that the copy kept for it will soon go on';

            create table turnaways (
                id bigserial,
                library_id bigint not null,
                title_id bigint not null,
                reason varchar(24) not null,
                happened_at timestamptz(0) not null,
                constraint turnaways_pkey primary key (id),
                constraint turnaways_library_id_foreign foreign key (library_id) references libraries(id),
                constraint turnaways_title_id_foreign foreign key (title_id) references titles(id)
            );
            create index turnaways_library_id_happened_at_index on turnaways (library_id, happened_at);
            create index turnaways_title on turnaways (title_id, library_id, happened_at);

            create table requests (
                id bigserial,
                library_id bigint not null,
                card_id bigint not null,
                title_id bigint,
                wants_notice boolean not null,
                wants_hold boolean not null,
                state varchar(10) default 'open' not null,
                answer text,
                asked_at timestamptz(0) not null,
                answered_at timestamptz(0),
                staff_member_id bigint,
                name varchar(200),
                people varchar(200),
                format varchar(12),
                number varchar(20),
                constraint requests_of_something check ((title_id is not null) or (name is not null)),
                constraint requests_pkey primary key (id),
                constraint requests_card_id_foreign foreign key (card_id) references cards(id),
                constraint requests_library_id_foreign foreign key (library_id) references libraries(id),
                constraint requests_staff_member_id_foreign foreign key (staff_member_id) references staff_members(id),
                constraint requests_title_id_foreign foreign key (title_id) references titles(id)
            );
            create index requests_in_words on requests (library_id, asked_at) where ((title_id is null) and (state =
                'open'));
            create index requests_library_id_title_id_index on requests (library_id, title_id);
            create unique index requests_once on requests (card_id, title_id) where (state = 'open');
            comment on column requests.state is 'open, here, declined, withdrawn';
            comment on column requests.name is 'in the words of who asked';
            comment on column requests.number is 'a standard number with its check digit verified';

            create table follows (
                id bigserial,
                card_id bigint not null,
                series_id bigint not null,
                borrows boolean not null,
                looked_at timestamptz(6) not null,
                constraint follows_card_id_series_id_unique unique (card_id, series_id),
                constraint follows_pkey primary key (id),
                constraint follows_card_id_foreign foreign key (card_id) references cards(id) on delete cascade,
                constraint follows_series_id_foreign foreign key (series_id) references series(id) on delete cascade
            );
            create index follows_series_id_index on follows (series_id);
            comment on column follows.borrows is 'the next issue is borrowed, not only told of';
            comment on column follows.looked_at is 'issues that came before were known';

            create table lending_habits (
                id bigserial,
                library_id bigint,
                format varchar(12) not null,
                habits jsonb not null,
                measured_at timestamptz(0) not null,
                constraint lending_habits_pkey primary key (id),
                constraint lending_habits_library_id_foreign foreign key (library_id) references libraries(id)
            );
            create unique index lending_habits_one on lending_habits (coalesce(library_id, (0)::bigint), format);

            create table pay_per_loan_months (
                library_id bigint not null,
                month date not null,
                budget_cents integer not null,
                spent_cents integer default 0 not null,
                constraint pay_per_loan_within_budget check ((spent_cents >= 0) and (spent_cents <= budget_cents)),
                constraint pay_per_loan_months_pkey primary key (library_id, month),
                constraint pay_per_loan_months_library_id_foreign foreign key (library_id) references libraries(id)
            );
            comment on column pay_per_loan_months.month is 'its first day';
            SQL
            ,
        );
    }
};

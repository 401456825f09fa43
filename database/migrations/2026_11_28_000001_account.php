<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Libraries, people and staff, what people are told, and the tables that the framework keeps. */
return new class extends Migration {
    public function up(): void
    {
        // In a database from before, "from_before" has made these tables what they are here.
        if (Schema::hasTable('libraries')) {
            return;
        }
        DB::unprepared(
            <<<'SQL'
            create table consortia (
                id bigserial,
                name varchar(255) not null,
                constraint consortia_pkey primary key (id)
            );

            create table libraries (
                id bigserial,
                consortium_id bigint,
                slug varchar(255) not null,
                name varchar(255) not null,
                short_name varchar(255) not null,
                place varchar(255) not null,
                timezone varchar(255) not null,
                pin_contact varchar(255) not null,
                pay_per_loan_budget_cents integer default 0 not null,
                constraint libraries_pkey primary key (id),
                constraint libraries_slug_unique unique (slug),
                constraint libraries_consortium_id_foreign foreign key (consortium_id) references consortia(id)
            );
            comment on column libraries.pay_per_loan_budget_cents is 'for each month that has none of its own';

            create table people (
                id bigserial,
                name varchar(255) not null,
                email varchar(255),
                locale varchar(5) default 'en' not null,
                keeps_history boolean default false not null,
                remember_token varchar(100),
                created_at timestamptz(0) default current_timestamp not null,
                calendar_key varchar(64),
                pins jsonb,
                rooms jsonb,
                constraint people_calendar_key_unique unique (calendar_key),
                constraint people_pkey primary key (id)
            );
            comment on column people.pins is 'filters kept for the next search';
            comment on column people.rooms is 'how each room opens for them';

            create table staff_members (
                id bigserial,
                library_id bigint not null,
                name varchar(255) not null,
                email varchar(255) not null,
                password varchar(255) not null,
                remember_token varchar(100),
                created_at timestamptz(0) default current_timestamp not null,
                constraint staff_members_email_unique unique (email),
                constraint staff_members_pkey primary key (id),
                constraint staff_members_library_id_foreign foreign key (library_id) references libraries(id)
            );

            create table notices (
                id bigserial,
                person_id bigint not null,
                kind varchar(40) not null,
                event_key varchar(80) not null,
                facts jsonb not null,
                created_at timestamptz(0) not null,
                read_at timestamptz(0),
                mailed_at timestamptz(0),
                shown boolean default true not null,
                mail_begun_at timestamptz(0),
                constraint notices_person_id_event_key_unique unique (person_id, event_key),
                constraint notices_pkey primary key (id),
                constraint notices_person_id_foreign foreign key (person_id) references people(id) on delete cascade
            );
            comment on column notices.event_key is 'one notice for one event';

            create table notice_choices (
                person_id bigint not null,
                kind varchar(40) not null,
                shown boolean default true not null,
                mailed boolean default true not null,
                pushed boolean default true not null,
                constraint notice_choices_pkey primary key (person_id, kind),
                constraint notice_choices_person_id_foreign foreign key (person_id) references people(id) on delete
                    cascade
            );

            create table sessions (
                id varchar(255) not null,
                user_id bigint,
                ip_address varchar(45),
                user_agent text,
                payload text not null,
                last_activity integer not null,
                constraint sessions_pkey primary key (id)
            );
            create index sessions_last_activity_index on sessions (last_activity);
            create index sessions_user_id_index on sessions (user_id);

            create table cache (
                key varchar(255) not null,
                value text not null,
                expiration integer not null,
                constraint cache_pkey primary key (key)
            );
            create index cache_expiration_index on cache (expiration);

            create table cache_locks (
                key varchar(255) not null,
                owner varchar(255) not null,
                expiration integer not null,
                constraint cache_locks_pkey primary key (key)
            );
            create index cache_locks_expiration_index on cache_locks (expiration);

            create table jobs (
                id bigserial,
                queue varchar(255) not null,
                payload text not null,
                attempts smallint not null,
                reserved_at integer,
                available_at integer not null,
                created_at integer not null,
                constraint jobs_pkey primary key (id)
            );
            create index jobs_queue_index on jobs (queue);

            create table failed_jobs (
                id bigserial,
                uuid varchar(255) not null,
                connection text not null,
                queue text not null,
                payload text not null,
                exception text not null,
                failed_at timestamp(0) default current_timestamp not null,
                constraint failed_jobs_pkey primary key (id),
                constraint failed_jobs_uuid_unique unique (uuid)
            );
            SQL
            ,
        );
    }
};

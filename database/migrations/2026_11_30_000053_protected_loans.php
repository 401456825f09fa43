<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * Files that end with the loan: what a licence says of downloads, whose passphrase opens them, and where they stand.
 */
return new class extends Migration {
    public function up(): void
    {
        foreach (['licences', 'orders'] as $table) {
            DB::unprepared(
                <<<SQL
                alter table {$table} alter column download drop default;
                alter table {$table} alter column download type varchar(9)
                    using case when download then 'open' else 'none' end;
                alter table {$table} alter column download set default 'none';
                alter table {$table} add constraint {$table}_download
                    check (download in ('none', 'protected', 'open'));
                comment on column {$table}.download is 'whether its files may be had: as DownloadRight';
                SQL
                ,
            );
        }
        DB::unprepared(
            <<<'SQL'
            create table lcp_provider (
                id smallint primary key default 1,
                root_certificate text not null,
                root_private text not null,
                certificate text not null,
                private text not null,
                constraint lcp_provider_one check (id = 1)
            );
            comment on table lcp_provider is 'who signs licence documents: certificates as PEM, private keys encrypted';

            create table passphrases (
                person_id bigint primary key references people(id) on delete cascade,
                user_key text not null,
                hint varchar(200) not null,
                kept_at timestamptz(0) not null
            );
            comment on table passphrases is 'what opens the protected files of a person';
            comment on column passphrases.user_key is 'encrypted: SHA-256 of the passphrase, in hexadecimal';

            create table protected_files (
                sha256 char(64) primary key,
                content_key text not null,
                path varchar(120),
                bytes bigint,
                protected_sha256 char(64),
                made_at timestamptz(0),
                constraint protected_files_made
                    check ((path is null) = (made_at is null) and (path is null) = (bytes is null)
                        and (path is null) = (protected_sha256 is null))
            );
            comment on column protected_files.sha256 is 'of the publication as it came';
            comment on column protected_files.content_key is 'encrypted: 32 bytes, in hexadecimal';
            comment on column protected_files.path is 'below storage/publications; null until it is made';

            create table protected_loans (
                id uuid primary key,
                loan_id bigint not null references loans(id) on delete cascade,
                library_id bigint not null references libraries(id),
                sha256 char(64) not null references protected_files(sha256),
                user_key text,
                hint varchar(200),
                issued_at timestamptz(0) not null,
                ends_at timestamptz(0) not null,
                updated_at timestamptz(0) not null,
                constraint protected_loans_once unique (loan_id, sha256),
                constraint protected_loans_key check ((user_key is null) = (hint is null))
            );
            comment on table protected_loans is
                'licence documents of loans: one for a loan, and another where its title has another file since';
            comment on column protected_loans.user_key is
                'encrypted, as it was when the licence was issued; null once the loan is forgotten';
            comment on column protected_loans.ends_at is 'what was last told of the loan''s end';

            create table protected_loan_events (
                id bigserial primary key,
                protected_loan_id uuid not null references protected_loans(id) on delete cascade,
                kind varchar(8) not null,
                device_id varchar(255),
                device_name varchar(255),
                happened_at timestamptz(0) not null,
                constraint protected_loan_events_kind check (kind in ('register', 'renew', 'return'))
            );
            create unique index protected_loan_events_device on protected_loan_events (protected_loan_id, device_id)
                where kind = 'register';
            create index protected_loan_events_loan on protected_loan_events (protected_loan_id);
            SQL
            ,
        );
    }

    public function down(): void
    {
        DB::unprepared('drop table protected_loan_events, protected_loans, protected_files, passphrases, lcp_provider');
        foreach (['licences', 'orders'] as $table) {
            DB::unprepared(
                "alter table {$table} drop constraint {$table}_download;
                alter table {$table} alter column download drop default;
                alter table {$table} alter column download type boolean using download = 'open';",
            );
        }
        DB::unprepared('alter table licences alter column download set default false');
    }
};

<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What a supplier offers, and the devices that show notices. */
return new class extends Migration {
    public function up(): void
    {
        // In a database from before, "from_before" has made these tables what they are here.
        if (Schema::hasTable('push_devices')) {
            return;
        }
        DB::unprepared(
            <<<'SQL'
            create table supplier_readings (
                id bigserial,
                begun_at timestamptz(0) not null,
                ended_at timestamptz(0),
                titles integer default 0 not null,
                problem varchar(500),
                constraint supplier_readings_pkey primary key (id)
            );
            comment on column supplier_readings.problem is 'why it broke off; what was known before stays';

            create table supplied_titles (
                title_id bigint not null,
                price_cents integer,
                currency varchar(3),
                record_hash varchar(32) not null,
                seen_at timestamptz(0) not null,
                constraint supplied_titles_pkey primary key (title_id),
                constraint supplied_titles_title_id_foreign foreign key (title_id) references titles(id) on delete
                    cascade
            );
            comment on column supplied_titles.seen_at is 'when the supplier last offered it';

            create table push_key (
                id smallint not null,
                private text not null,
                constraint push_key_one check (id = 1),
                constraint push_key_pkey primary key (id)
            );
            comment on column push_key.private is 'PEM, encrypted with the application’s key';

            create table push_devices (
                id bigserial,
                person_id bigint not null,
                endpoint varchar(1000) not null,
                key varchar(100) not null,
                secret varchar(30) not null,
                added_at timestamptz(0) not null,
                told_at timestamptz(0),
                constraint push_devices_endpoint_unique unique (endpoint),
                constraint push_devices_pkey primary key (id),
                constraint push_devices_person_id_foreign foreign key (person_id) references people(id) on delete
                    cascade
            );
            create index push_devices_person_id_index on push_devices (person_id);
            comment on column push_devices.key is 'the browser’s point on P-256, base64url';
            comment on column push_devices.secret is '16 bytes, base64url';
            comment on column push_devices.told_at is 'when a notice was last taken for it';
            SQL
            ,
        );
    }
};

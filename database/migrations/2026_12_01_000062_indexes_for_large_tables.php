<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What pages ask of the large tables is found by an index: without these each went through all there is. */
return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            create index titles_series on titles (series_id) where series_id is not null;
            create index contributors_by_name on contributors (lower(name));
            create index series_by_name on series (lower(name));
            create index licences_on_order on licences (library_id) where file_came_at is null;
            create index loans_of_card on loans (card_id, ended_at) where card_id is not null;
            drop index loans_history;
            create index holds_of_card on holds (card_id) where card_id is not null;
            create index requests_of_card on requests (card_id);
            create index notices_mailing on notices (mail_begun_at)
                where mailed_at is null and mail_begun_at is not null;
            create index licences_paid on licences (library_id) where model = 'pay_per_loan';
            SQL
            ,
        );
    }

    public function down(): void
    {
        DB::unprepared(
            <<<'SQL'
            create index loans_history on loans (card_id, ended_at) where ended_at is not null and card_id is not null;
            drop index titles_series, contributors_by_name, series_by_name, licences_on_order, licences_paid,
                loans_of_card, holds_of_card, requests_of_card, notices_mailing;
            SQL
            ,
        );
    }
};

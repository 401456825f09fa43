<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * The invariants of lending stand here as constraints: counts stay within what was bought, a card has a title on loan
 * once and is in line for it once, a copy is kept exactly for ready holds, and a loan's licence is one of its title.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('loan_rules', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('library_id')->constrained();
            $table->string('patron_group', 24)->nullable();
            $table->string('format', 12)->nullable();
            $table->integer('max_loans')->nullable();
            $table->integer('max_holds')->nullable();
            $table->jsonb('lengths')->nullable()->comment('["7d","14d","1h"]');
            $table->string('default_length', 6)->nullable();
            $table->integer('renewal_window_days')->nullable();
            $table->integer('max_renewals')->nullable();
            $table->integer('hold_kept_hours')->nullable();
            $table->integer('pay_per_loan_monthly')->nullable();
            $table->string('audience_ceiling', 8)->nullable();
        });
        DB::statement('create unique index loan_rules_one on loan_rules (library_id, coalesce(patron_group, \'\'), coalesce(format, \'\'))');

        Schema::create('licences', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('library_id')->constrained();
            $table->foreignId('title_id')->constrained();
            $table->string('model', 20);
            $table->integer('copies')->nullable();
            $table->integer('copies_free')->nullable();
            $table->integer('loans_bought')->nullable();
            $table->integer('loans_left')->nullable()->comment('neither lent nor kept for a ready hold');
            $table->timestampTz('starts_at');
            $table->timestampTz('ends_at')->nullable();
            $table->integer('price_cents')->default(0);
            $table->boolean('shared')->default(false);
            $table->index(['title_id', 'library_id']);
            $table->index('library_id');
            $table->unique(['id', 'title_id']);
        });
        DB::statement('alter table licences set (fillfactor = 50)');
        DB::unprepared(<<<'SQL'
            alter table licences
                add constraint licences_copies check (copies_free between 0 and copies),
                add constraint licences_loans check (loans_left between 0 and loans_bought),
                add constraint licences_ends check (ends_at > starts_at),
                add constraint licences_model check (case model
                    when 'one_copy_one_user' then copies is not null and loans_bought is null and ends_at is null
                    when 'metered_by_time' then copies is not null and loans_bought is null and ends_at is not null
                    when 'metered_by_loans' then copies is not null and loans_bought is not null
                    when 'concurrent' then copies is not null and loans_bought is not null
                    when 'simultaneous' then copies is null and loans_bought is null
                    else false end),
                add constraint licences_counts_together check
                    ((copies is null) = (copies_free is null) and (loans_bought is null) = (loans_left is null));
            SQL);

        Schema::create('loans', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('card_id')->nullable()->constrained()->comment('cut when an ended loan is not kept as history');
            $table->unsignedBigInteger('title_id');
            $table->unsignedBigInteger('licence_id');
            $table->string('length', 6);
            $table->timestampTz('started_at');
            $table->timestampTz('due_at');
            $table->timestampTz('ended_at')->nullable();
            $table->string('end_reason', 12)->nullable();
            $table->foreign(['licence_id', 'title_id'])->references(['id', 'title_id'])->on('licences');
        });
        Schema::create('holds', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('card_id')->constrained();
            $table->foreignId('library_id')->constrained();
            $table->foreignId('title_id')->constrained();
            $table->string('state', 10);
            $table->timestampTz('placed_at');
            $table->timestampTz('line_at', 6);
            $table->timestampTz('paused_until')->nullable();
            $table->smallInteger('misses')->default(0);
            $table->unsignedBigInteger('licence_id')->nullable();
            $table->timestampTz('ready_at')->nullable();
            $table->timestampTz('kept_until')->nullable();
            $table->timestampTz('closed_at')->nullable();
            $table->foreign(['licence_id', 'title_id'])->references(['id', 'title_id'])->on('licences');
        });
        DB::unprepared(<<<'SQL'
            alter table loans
                add constraint loans_due check (due_at > started_at),
                add constraint loans_end check ((ended_at is null) = (end_reason is null)),
                add constraint loans_open_have_card check (ended_at is not null or card_id is not null);
            create unique index loans_one_open on loans (card_id, title_id) where ended_at is null;
            create index loans_due_open on loans (due_at) where ended_at is null;
            create index loans_licence_open on loans (licence_id) where ended_at is null;
            create index loans_card on loans (card_id, started_at);
            create index loans_title on loans (title_id);

            alter table holds
                add constraint holds_state check (state in ('waiting', 'paused', 'ready', 'filled', 'cancelled', 'lapsed')),
                add constraint holds_ready check ((state = 'ready') = (kept_until is not null and licence_id is not null)),
                add constraint holds_paused check ((state = 'paused') = (paused_until is not null)),
                add constraint holds_closed check ((state in ('filled', 'cancelled', 'lapsed')) = (closed_at is not null));
            create unique index holds_one_open on holds (card_id, title_id) where closed_at is null;
            create index holds_line on holds (title_id, line_at, id) where state in ('waiting', 'paused');
            create index holds_kept on holds (kept_until) where state = 'ready';
            create index holds_ready_licence on holds (licence_id) where state = 'ready';
            create index holds_paused on holds (paused_until) where state = 'paused';
            SQL);

        Schema::create('turnaways', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('library_id')->constrained();
            $table->foreignId('title_id')->constrained();
            $table->string('reason', 16);
            $table->timestampTz('happened_at');
            $table->index(['library_id', 'happened_at']);
        });
        DB::unprepared((string) file_get_contents(__DIR__.'/../functions/lending_end_loan.sql'));
    }
};

<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Pay per loan and its budgets, renewals, patrons' own lengths, holds that borrow by themselves, habits for the forecast, the Desk. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('libraries', function (Blueprint $table): void {
            $table->integer('pay_per_loan_budget_cents')->default(0)->comment('for each month that has none of its own');
        });
        Schema::create('pay_per_loan_months', function (Blueprint $table): void {
            $table->foreignId('library_id')->constrained();
            $table->date('month')->comment('its first day');
            $table->integer('budget_cents');
            $table->integer('spent_cents')->default(0);
            $table->primary(['library_id', 'month']);
        });
        Schema::table('cards', function (Blueprint $table): void {
            $table->date('pay_month')->nullable()->comment('the month that pay_loans counts');
            $table->integer('pay_loans')->default(0);
        });
        Schema::table('loans', function (Blueprint $table): void {
            $table->smallInteger('renewals')->default(0);
            $table->smallInteger('told')->default(0)->comment('1: that it is due in 3 days; 2: that it is due tomorrow');
            $table->integer('paid_cents')->nullable()->comment('pay per loan: what this loan and its renewals cost');
        });
        Schema::table('holds', function (Blueprint $table): void {
            $table->boolean('borrow_at_once')->default(false);
            $table->integer('kept_seconds')->default(0)->comment('for which copies were kept for it in vain');
            $table->boolean('told')->default(false)->comment('that the copy kept for it will soon go on');
        });
        Schema::table('turnaways', function (Blueprint $table): void {
            $table->string('reason', 24)->change();
        });
        Schema::create('own_lengths', function (Blueprint $table): void {
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->string('format', 12);
            $table->string('length', 6);
            $table->primary(['person_id', 'format']);
        });
        Schema::create('notice_choices', function (Blueprint $table): void {
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->string('kind', 40);
            $table->boolean('shown')->default(true);
            $table->boolean('mailed')->default(true);
            $table->primary(['person_id', 'kind']);
        });
        Schema::table('notices', function (Blueprint $table): void {
            $table->boolean('shown')->default(true);
            $table->timestampTz('mail_begun_at')->nullable();
        });
        Schema::table('people', function (Blueprint $table): void {
            $table->string('calendar_key', 64)->nullable()->unique();
        });
        Schema::create('lending_habits', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('library_id')->nullable()->constrained()->comment('null for all libraries together');
            $table->string('format', 12);
            $table->jsonb('habits');
            $table->timestampTz('measured_at');
        });
        DB::unprepared(<<<'SQL'
            alter table holds alter column card_id drop not null;
            alter table holds add constraint holds_open_have_card check (closed_at is not null or card_id is not null);
            create index holds_closed on holds (closed_at) where card_id is not null and closed_at is not null;
            create unique index lending_habits_one on lending_habits (coalesce(library_id, 0), format);
            alter table pay_per_loan_months add constraint pay_per_loan_within_budget check (spent_cents between 0 and budget_cents);

            -- What staff set is checked when they set it. As check constraints these would be read and reckoned again with every borrow.
            alter table licences drop constraint licences_model, drop constraint licences_ends, drop constraint licences_counts_together;
            create function licences_as_their_model_says() returns trigger language plpgsql as $$
            begin
                if not coalesce(new.ends_at > new.starts_at, true) or (new.copies is null) <> (new.copies_free is null) or (new.loans_bought is null) <> (new.loans_left is null)
                    or not (case new.model
                        when 'one_copy_one_user' then new.copies is not null and new.loans_bought is null
                        when 'metered_by_time' then new.copies is not null and new.loans_bought is null and new.ends_at is not null
                        when 'metered_by_loans' then new.copies is not null and new.loans_bought is not null
                        when 'concurrent' then new.copies is not null and new.loans_bought is not null
                        when 'simultaneous' then new.copies is null and new.loans_bought is null
                        when 'pay_per_loan' then new.copies is null and new.loans_bought is null and new.price_cents > 0 and not new.shared
                        else false end) then
                    raise exception 'licence % is not as its model says', new.id using errcode = '23514', constraint = 'licences_model';
                end if;
                return new;
            end $$;
            create trigger licences_model before insert or update of model, copies, loans_bought, starts_at, ends_at, price_cents, shared on licences
                for each row execute function licences_as_their_model_says();

            -- Checked at commit, when the rows they look at are this transaction's own: a hot licence is not locked twice.
            alter table loans alter constraint loans_card_id_foreign deferrable initially deferred,
                alter constraint loans_licence_id_title_id_foreign deferrable initially deferred;
            -- One index for a licence's loans, open or not; of a card's loans those that are over (the open ones have an index).
            drop index loans_licence_open, loans_title, loans_card;
            create index loans_licence on loans (licence_id, ended_at);
            create index loans_history on loans (card_id, ended_at) where ended_at is not null and card_id is not null;
            create index holds_at_once on holds (ready_at) where state = 'ready' and borrow_at_once;
            SQL);
        foreach (['pay_per_loan_left', 'lending_pass_on', 'lending_end_loan', 'lending_facts', 'lending_borrow', 'lending_renew'] as $function) {
            DB::unprepared((string) file_get_contents(__DIR__."/../functions/{$function}.sql"));
        }
    }
};

<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        $this->keepAvailability();
        $this->lookBeyond();
        $this->ask();
        $this->keepSearches();
        $this->openRooms();
        $this->putAside();
        $this->bringUpToDate();
    }

    /** Who can have a title stands beside its words. No index names what a loan changes, so that it rewrites none. */
    private function keepAvailability(): void
    {
        DB::unprepared(<<<'SQL'
            alter table search_rows
                add column held int[] not null default '{}', add column ready int[] not null default '{}', add column always int[] not null default '{}',
                add column paid int[] not null default '{}', add column supplied boolean not null default false,
                add column sure_from timestamptz not null default '-infinity', add column sure_until timestamptz not null default 'infinity';
            SQL);
        DB::unprepared((string) file_get_contents(__DIR__.'/../functions/search_text.sql'));
        // Long words out of the way, so that counting many titles reads a narrow table.
        DB::unprepared(<<<'SQL'
            alter table search_rows add column subjects int[] not null default '{}', alter column stems set storage external, alter column exact set storage external;
            alter table search_rows alter column held set storage main, alter column ready set storage main, alter column always set storage main, alter column paid set storage main, alter column subjects set storage main;
            alter table search_rows set (toast_tuple_target = 128);
            create index search_rows_borrowed on search_rows (times_borrowed desc, title_id);
            create index titles_name on titles (lower(name));
            create index search_rows_held on search_rows using gin (held);
            create index search_rows_sure_until on search_rows (sure_until);
            create index search_rows_sure_from on search_rows (sure_from);
            create index holds_of_licence on holds (licence_id) where closed_at is null;
            SQL);
        // Matching words fetches a record's words from out of line first: dearer than the planner takes it for, which else reads a whole
        // catalogue of them. Only the database's owner of all may say so.
        DB::unprepared(<<<'SQL'
            do $$ begin
                alter function ts_match_vq(tsvector, tsquery) cost 10000;
            exception when insufficient_privilege then
                raise notice 'ask an administrator: alter function ts_match_vq(tsvector, tsquery) cost 10000';
            end $$;
            SQL);
        DB::unprepared((string) file_get_contents(__DIR__.'/../functions/pay_per_loan_left.sql'));
        DB::unprepared((string) file_get_contents(__DIR__.'/../functions/search_availability.sql'));
        // Not every loan: only the first copy that comes free, the last that goes, and what staff and dates do.
        $flips = 'when ((old.copies_free > 0) is distinct from (new.copies_free > 0) or (old.loans_left > 0) is distinct from (new.loans_left > 0)
            or (old.model, old.starts_at, old.ends_at, old.shared) is distinct from (new.model, new.starts_at, new.ends_at, new.shared))';
        DB::unprepared(<<<SQL
            create trigger licences_touch after insert or delete on licences for each row execute function search_touched();
            create trigger licences_flip after update on licences for each row {$flips} execute function search_touched();
            create constraint trigger licences_settle after insert or delete on licences deferrable initially deferred for each row execute function search_settle();
            create constraint trigger licences_settle_flip after update on licences deferrable initially deferred for each row {$flips} execute function search_settle();
            select search_refresh(array_agg(title_id), now()) from search_rows;
            SQL);
    }

    /** What a supplier offers, whether a library has it or not. */
    private function lookBeyond(): void
    {
        Schema::create('supplied_titles', function (Blueprint $table): void {
            $table->foreignId('title_id')->primary()->constrained()->cascadeOnDelete();
            $table->integer('price_cents')->nullable();
            $table->string('currency', 3)->nullable();
            $table->string('record_hash', 32);
            $table->timestampTz('seen_at')->comment('when the supplier last offered it');
        });
        Schema::create('supplier_readings', function (Blueprint $table): void {
            $table->id();
            $table->timestampTz('begun_at');
            $table->timestampTz('ended_at')->nullable();
            $table->integer('titles')->default(0);
            $table->string('problem', 500)->nullable()->comment('why it broke off; what was known before stays');
        });
    }

    private function ask(): void
    {
        Schema::create('requests', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('library_id')->constrained();
            $table->foreignId('card_id')->constrained();
            $table->foreignId('title_id')->constrained();
            $table->boolean('wants_notice');
            $table->boolean('wants_hold');
            $table->string('state', 10)->default('open')->comment('open, here, declined, withdrawn');
            $table->text('answer')->nullable();
            $table->timestampTz('asked_at');
            $table->timestampTz('answered_at')->nullable();
            $table->foreignId('staff_member_id')->nullable()->constrained();
            $table->index(['library_id', 'title_id']);
        });
        DB::statement("create unique index requests_once on requests (card_id, title_id) where state = 'open'");
    }

    private function keepSearches(): void
    {
        Schema::table('licences', fn (Blueprint $table) => $table->timestampTz('added_at')->useCurrent());
        Schema::create('saved_searches', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->foreignId('library_id')->constrained();
            $table->string('name', 120);
            $table->jsonb('search')->comment('values of a query string');
            $table->boolean('tells');
            $table->timestampTz('looked_at');
            $table->index('person_id');
        });
        Schema::create('saved_search_titles', function (Blueprint $table): void {
            $table->foreignId('saved_search_id')->constrained()->cascadeOnDelete();
            $table->foreignId('title_id')->constrained()->cascadeOnDelete();
            $table->timestampTz('told_at');
            $table->primary(['saved_search_id', 'title_id']);
        });
        DB::statement('create index licences_added on licences (library_id, added_at)');
    }

    private function openRooms(): void
    {
        Schema::table('titles', function (Blueprint $table): void {
            $table->boolean('fiction')->nullable()->comment('null where the record does not say');
            $table->smallInteger('age_from')->nullable();
            $table->smallInteger('age_to')->nullable();
        });
        DB::unprepared("alter table titles add column numbers text[] not null default '{}'; create index titles_numbers on titles using gin (numbers)");
        DB::statement('alter table search_rows add column awards text[] not null default \'{}\', alter column awards set storage main, add column fiction boolean, add column age_from smallint not null default 18, add column age_to smallint not null default 99');
        Schema::table('publications', fn (Blueprint $table) => $table->jsonb('contents')->default('[]')->comment('depth and label of each entry'));
        Schema::table('staff_lists', function (Blueprint $table): void {
            $table->string('room', 8)->default('reading');
            $table->string('words', 400)->nullable()->comment('a list made by a search; without, by hand');
            $table->date('shows_from')->nullable();
            $table->date('shows_until')->nullable()->comment('the last day');
            $table->index(['library_id', 'room']);
        });
        Schema::table('people', fn (Blueprint $table) => $table->jsonb('rooms')->nullable()->comment('how each room opens for them'));
        Schema::create('title_neighbours', function (Blueprint $table): void {
            $table->foreignId('title_id')->constrained()->cascadeOnDelete();
            $table->foreignId('other_id')->constrained('titles')->cascadeOnDelete();
            $table->integer('people')->comment('how many borrowed both; never fewer than ten');
            $table->primary(['title_id', 'other_id']);
        });
    }

    private function putAside(): void
    {
        Schema::create('baskets', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('person_id')->nullable()->constrained('people')->cascadeOnDelete();
            $table->string('browser_key', 40)->nullable()->index()->comment('whose it is before anyone has signed in');
            $table->foreignId('parent_id')->nullable()->constrained('baskets')->cascadeOnDelete();
            $table->string('name', 120);
            $table->text('note')->nullable();
            $table->integer('position');
            $table->string('share_key', 40)->nullable()->unique();
            $table->timestampTz('created_at');
            $table->index('person_id');
            $table->index('parent_id');
        });
        Schema::create('basket_title', function (Blueprint $table): void {
            $table->foreignId('basket_id')->constrained()->cascadeOnDelete();
            $table->foreignId('title_id')->constrained()->cascadeOnDelete();
            $table->integer('position');
            $table->text('note')->nullable();
            $table->timestampTz('added_at');
            $table->primary(['basket_id', 'title_id']);
        });
    }

    /** What records that were there before have for it already. */
    private function bringUpToDate(): void
    {
        DB::unprepared(<<<'SQL'
            update titles t set numbers = case when isbn is null then '{}' else array[isbn]::text[] end,
                fiction = (select case when bool_or(x.name ~* '\mnon-?\s?fiction\M|\mno ficción\M') then false when bool_or(x.name ~* '\mfiction\M|\mficción\M') then true end
                    from subject_title st join subjects x on x.id = st.subject_id where st.title_id = t.id);
            update search_rows s set fiction = t.fiction, awards = array(select jsonb_array_elements_text(t.awards)), subjects = array(select subject_id::int from subject_title st where st.title_id = s.title_id),
                age_from = case s.audience when 'child' then 4 when 'teen' then 12 else 18 end, age_to = case s.audience when 'child' then 12 when 'teen' then 17 else 99 end,
                stems = s.stems || coalesce((select array_to_tsvector(array_agg('t.' || u.lexeme)) from unnest(s.stems) u where u.weights && array['A', 'B']), '')
                from titles t where t.id = s.title_id;
            SQL);
    }
};

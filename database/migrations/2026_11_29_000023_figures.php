<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            alter table loans add column counted boolean not null default false;
            create index loans_uncounted on loans (id) where (not counted);
            alter table cards add column counted_month date;
            comment on column loans.counted is 'in loan_figures';
            comment on column cards.counted_month is 'the last month in which it is counted as one that borrowed';

            create table loan_figures (
                library_id bigint not null,
                month date not null,
                format varchar(12) not null,
                patron_group varchar(24) not null,
                weekday smallint not null,
                hour smallint not null,
                n integer not null,
                constraint loan_figures_pkey primary key (library_id, month, format, patron_group, weekday, hour),
                constraint loan_figures_library_id_foreign foreign key (library_id) references libraries(id)
            );
            comment on table loan_figures is 'loans begun by patrons of a library, without who and what';
            comment on column loan_figures.month is 'its first day, by the library''s calendar';
            comment on column loan_figures.patron_group is 'empty where it was not known any more';
            comment on column loan_figures.weekday is '1 to 7, Monday first';

            create table title_figures (
                library_id bigint not null,
                month date not null,
                title_id bigint not null,
                n integer not null,
                constraint title_figures_pkey primary key (library_id, month, title_id),
                constraint title_figures_library_id_foreign foreign key (library_id) references libraries(id),
                constraint title_figures_title_id_foreign foreign key (title_id) references titles(id)
            );
            comment on table title_figures is 'loans of a title begun by patrons of a library';

            create table people_figures (
                library_id bigint not null,
                month date not null,
                patron_group varchar(24) not null,
                n integer not null,
                constraint people_figures_pkey primary key (library_id, month, patron_group),
                constraint people_figures_library_id_foreign foreign key (library_id) references libraries(id)
            );
            comment on table people_figures is 'cards with at least one loan begun in the month';
            SQL
            ,
        );
    }
};

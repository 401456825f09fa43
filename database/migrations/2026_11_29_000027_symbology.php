<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration {
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            alter table libraries
                add column symbology varchar(8) not null default 'code128',
                add constraint libraries_symbology check (symbology in ('code39', 'codabar', 'code128', 'qr'));
            comment on column libraries.symbology is 'of the barcode on its cards, as its scanners read it';
            SQL
            ,
        );
    }
};

<?php

declare(strict_types=1);

use App\Exchange\Mail\MailNotices;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;

/** What waits in the queue to be mailed, each notice in a job of its own, goes into the jobs that there are now. */
return new class extends Migration
{
    public function up(): void
    {
        DB::transaction(function (): void {
            $waiting = DB::select(<<<'SQL'
                delete from jobs where strpos(payload, '"displayName":"App\\Jobs\\MailNotice"') > 0 returning (regexp_match(payload, 'noticeId\\";i:(\d+)'))[1]::bigint notice
                SQL);
            $notices = array_column($waiting, 'notice');
            sort($notices);
            Queue::bulk(array_map(fn (array $some): MailNotices => new MailNotices($some), array_chunk($notices, MailNotices::TOGETHER)));
        });
    }
};

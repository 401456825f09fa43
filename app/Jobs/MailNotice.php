<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Mail\NoticeMail;
use App\Models\Notice;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;

/** Sends one notice by mail, and marks it sent; the mark is kept only if the mail server took the message. */
final class MailNotice implements ShouldQueue
{
    use Queueable;

    public int $tries = 8;

    public function __construct(private readonly int $noticeId)
    {
    }

    /** @return list<int> seconds between tries */
    public function backoff(): array
    {
        return [5, 30, 120, 600];
    }

    public function handle(): void
    {
        DB::transaction(function (): void {
            $notice = Notice::query()->whereNull('mailed_at')->lockForUpdate()->find($this->noticeId);
            if ($notice === null || $notice->person->email === null) {
                return;
            }
            $notice->update(['mailed_at' => CarbonImmutable::now()]);
            Mail::to($notice->person->email)->locale($notice->person->locale)->send(new NoticeMail($notice));
        });
    }
}

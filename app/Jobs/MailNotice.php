<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Mail\NoticeMail;
use App\Models\Notice;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Mail;
use Throwable;

/** Sends one notice by mail. */
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

    /**
     * Never twice: that sending has begun is committed before the message goes out. If this process dies in between, nobody knows
     * whether the message went, so it is not sent again; the notice itself stands in the application all the same.
     */
    public function handle(): void
    {
        $notice = Notice::query()->find($this->noticeId);
        if ($notice === null || $notice->person->email === null) {
            return;
        }
        if (Notice::query()->whereKey($notice->id)->whereNull('mail_begun_at')->update(['mail_begun_at' => CarbonImmutable::now()]) === 0) {
            return;
        }
        try {
            Mail::to($notice->person->email)->locale($notice->person->locale)->send(new NoticeMail($notice));
        } catch (Throwable $refused) {
            // The mail server said no, or was not there: the message did not go, and may be tried again.
            Notice::query()->whereKey($notice->id)->update(['mail_begun_at' => null]);

            throw $refused;
        }
        Notice::query()->whereKey($notice->id)->update(['mailed_at' => CarbonImmutable::now()]);
    }
}

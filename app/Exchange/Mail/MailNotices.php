<?php

declare(strict_types=1);

namespace App\Exchange\Mail;

use App\Account\Notices\QuietTime;
use App\Models\Notice;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\Queue;
use Throwable;

/**
 * Sends notices by mail, one after another and with a rest between: when thousands go out at once, those who borrow
 * meanwhile do not wait for long.
 */
final class MailNotices implements ShouldQueue
{
    use Queueable;

    /** In one job. */
    public const TOGETHER = 25;

    public int $tries = 8;

    /**
     * A slow mail server: what is left after so many seconds goes into a job of its own, long before the queue takes
     * this one for lost.
     */
    private const SECONDS = 20;

    /** As a multiple of the time that a mail took, and the longest, in microseconds. */
    private const REST = 2;

    private const LONGEST_REST = 50_000;

    /** @param  array<int>  $noticeIds */
    public function __construct(private readonly array $noticeIds) {}

    /** @return list<int> seconds between tries */
    public function backoff(): array
    {
        return [5, 30, 120, 600];
    }

    /** What the mail server refuses is tried again by itself, and what comes after it does not wait for that. */
    public function handle(): void
    {
        $until = CarbonImmutable::now()->addSeconds(self::SECONDS);
        /** @var list<int> $mailed */
        $mailed = [];
        $left = Notice::query()->with('person.cards.library')->orderBy('id')->findMany($this->noticeIds)->all();
        $left = self::putOff($left, CarbonImmutable::now());
        try {
            while ($left !== [] && CarbonImmutable::now() < $until) {
                $begun = hrtime(true);
                self::mail($left[0]) && ($mailed[] = $left[0]->id);
                array_shift($left);
                $left === [] || usleep((int) min(self::LONGEST_REST, (self::REST * (hrtime(true) - $begun)) / 1000));
            }
            $left === [] || self::dispatch(array_map(fn(Notice $notice): int => $notice->id, $left));
        } catch (Throwable $refused) {
            if (count($this->noticeIds) === 1) {
                throw $refused;
            }
            Queue::bulk(array_map(fn(Notice $notice): self => new self([$notice->id]), $left));
        } finally {
            $mailed === [] ||
                Notice::query()
                    ->whereKey($mailed)
                    ->update(['mailed_at' => CarbonImmutable::now()]);
        }
    }

    /**
     * Those to whom it is night wait until it is not.
     *
     * @param  array<int, Notice>  $notices
     * @return list<Notice> the others
     */
    private static function putOff(array $notices, CarbonImmutable $now): array
    {
        $go = [];
        $wait = [];
        $anyQuiet = QuietTime::isKnown();
        foreach ($notices as $notice) {
            $until = $anyQuiet ? QuietTime::until($notice, $now) : null;
            if ($until === null) {
                $go[] = $notice;
            } else {
                $wait[$until->getTimestamp()][] = $notice->id;
            }
        }
        foreach ($wait as $until => $ids) {
            self::dispatch($ids)->delay(CarbonImmutable::createFromTimestamp($until));
        }

        return $go;
    }

    /**
     * Never twice: that sending has begun is committed before the message goes out. If this process dies in between,
     * nobody knows whether the message went, so it is not sent again; the notice itself stands in the application all
     * the same.
     */
    private static function mail(Notice $notice): bool
    {
        if (
            $notice->person->email === null ||
            Notice::query()
                ->whereKey($notice->id)
                ->whereNull('mail_begun_at')
                ->update(['mail_begun_at' => CarbonImmutable::now()]) === 0
        ) {
            return false;
        }
        try {
            Mail::to($notice->person->email)->locale($notice->person->locale)->send(new NoticeMail($notice));
        } catch (Throwable $refused) {
            // The mail server said no, or was not there: the message did not go, and may be tried again.
            Notice::query()
                ->whereKey($notice->id)
                ->update(['mail_begun_at' => null]);

            throw $refused;
        }

        return true;
    }
}

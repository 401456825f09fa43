<?php

declare(strict_types=1);

namespace App\Exchange\Mail;

use App\Account\Notices\NoticeCarriers;
use App\Exchange\Push\PushNotice;
use Illuminate\Support\Facades\Queue;
use stdClass;

/** Notices leave by the queue, which is a table of the same database. */
final class QueueNotices implements NoticeCarriers
{
    public function carry(stdClass $given): void
    {
        $jobs = [
            ...array_map(
                fn(array $notices): MailNotices => new MailNotices($notices),
                array_chunk($given->mail, MailNotices::TOGETHER),
            ),
            ...array_map(fn(array $of): PushNotice => new PushNotice(...$of), $given->push),
        ];
        $jobs === [] || Queue::bulk($jobs);
    }
}

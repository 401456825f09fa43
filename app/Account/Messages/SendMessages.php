<?php

declare(strict_types=1);

namespace App\Account\Messages;

use App\Account\Notices\GiveNotice;
use App\Models\Message;
use App\Shared\OneAtATime;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Lending\NoticeKind;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use stdClass;

/**
 * Important messages go out by the channels that each person chose, on their first day. Each person is told once: where
 * it was cut short it goes on with who is left.
 */
final class SendMessages
{
    private const AT_ONCE = 500;

    private const TEXT = 600;

    public function __construct(private readonly GiveNotice $giveNotice) {}

    public function __invoke(DateTimeImmutable $now): void
    {
        OneAtATime::run('messages', function () use ($now): void {
            $waiting = Message::query()
                ->with('library')
                ->where('is_important', true)
                ->whereNull('told_at')
                ->orderBy('id')
                ->get();
            foreach ($waiting as $message) {
                if ($message->reach()->isOn(OpenMessages::day($message->library, $now))) {
                    $this->send($message, $now);
                }
            }
        });
    }

    private function send(Message $message, DateTimeImmutable $now): void
    {
        $last = 0;
        do {
            /** @var list<stdClass> $people */
            $people = DB::select(
                'select p.id, p.locale from people p where p.id > ? and exists (select from cards c
                    where c.person_id = p.id and c.library_id = ? and (?::jsonb = \'[]\' or ?::jsonb ?? c.patron_group))
                    order by p.id limit ' . self::AT_ONCE,
                [$last, $message->library_id, ...array_fill(0, 2, json_encode($message->groups))],
            );
            $notices = array_map(
                fn(stdClass $person): array => [
                    'person' => $person->id,
                    'event' => "message:{$message->id}",
                    'facts' => $this->facts($message, $person->locale),
                ],
                $people,
            );
            DB::transaction(fn() => $this->giveNotice->many(NoticeKind::LibraryMessage, $notices, $now));
            $last = end($people)->id ?? $last;
        } while (count($people) === self::AT_ONCE);
        Message::query()
            ->whereKey($message->id)
            ->update(['told_at' => Sql::second($now)]);
    }

    /** @return array<string, string> */
    private function facts(Message $message, string $locale): array
    {
        $text = $message->in($locale);

        return [
            'name' => $text['title'],
            'text' => Str::limit(MessageText::plain($text['text']), self::TEXT, '…'),
            'library' => $message->library->short_name,
            'address' => "/messages/{$message->id}",
        ];
    }
}

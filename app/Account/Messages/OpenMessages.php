<?php

declare(strict_types=1);

namespace App\Account\Messages;

use App\Models\Library;
use App\Models\Message;
use App\Models\Person;
use DateTimeImmutable;
use Illuminate\Contracts\Pagination\LengthAwarePaginator;
use Illuminate\Support\Facades\DB;

/** The messages of a library that stand somewhere today for who looks there. */
final class OpenMessages
{
    private const PAGE = 50;

    /**
     * @param  string|null  $room  by its name in addresses; null: on the front door and on Porches
     * @param  list<int>  $putAway  by a browser where nobody has signed in
     * @return list<Message> important ones first, then the newest
     */
    public function in(Library $library, ?string $room, ?Person $person, array $putAway, DateTimeImmutable $now): array
    {
        $day = self::day($library, $now);
        $messages = Message::query()
            ->where('library_id', $library->id)
            ->where('first_day', '<=', $day)
            ->where(fn($of) => $of->whereNull('last_day')->orWhere('last_day', '>=', $day))
            ->orderByDesc('is_important')
            ->orderByDesc('first_day')
            ->orderByDesc('id')
            ->get()
            ->all();
        if ($messages === []) {
            return [];
        }
        if ($person !== null) {
            $putAway = array_column(
                DB::select('select message_id from messages_put_away where person_id = ?', [$person->id]),
                'message_id',
            );
        }
        $group = $person?->cardAt($library)?->patron_group;

        return array_values(
            array_filter(
                $messages,
                fn(Message $message): bool => $message->reach()->standsIn($room) &&
                    $message->reach()->isFor($group) &&
                    !in_array($message->id, $putAway, true),
            ),
        );
    }

    /** @return LengthAwarePaginator<int, Message> all that it wrote, the newest first */
    public function all(Library $library): LengthAwarePaginator
    {
        return Message::query()
            ->where('library_id', $library->id)
            ->orderByDesc('first_day')
            ->orderByDesc('id')
            ->paginate(self::PAGE);
    }

    public static function day(Library $library, DateTimeImmutable $now): string
    {
        return $now->setTimezone($library->zone())->format('Y-m-d');
    }
}

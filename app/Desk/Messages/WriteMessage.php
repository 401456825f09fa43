<?php

declare(strict_types=1);

namespace App\Desk\Messages;

use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Models\Message;
use App\Models\StaffMember;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** Writes, changes and removes a library's messages. */
final class WriteMessage
{
    public function __construct(private readonly RecordChange $recordChange) {}

    /**
     * As it would be, written nowhere.
     *
     * @param  array<string, mixed>  $facts
     */
    public function draft(Message $message, array $facts): Message
    {
        return $message->fill($facts);
    }

    /** @param  array<string, mixed>  $facts  as MessageRequest gives them */
    public function write(StaffMember $by, array $facts, DateTimeImmutable $now): Message
    {
        return DB::transaction(function () use ($by, $facts, $now): Message {
            $message = Message::query()->create([...$facts, 'library_id' => $by->library_id]);
            ($this->recordChange)($by, ChangeKind::MessageWritten, $this->name($message), [], $now);

            return $message;
        });
    }

    /** @param  array<string, mixed>  $facts */
    public function change(StaffMember $by, Message $message, array $facts, DateTimeImmutable $now): void
    {
        DB::transaction(function () use ($by, $message, $facts, $now): void {
            $was = $this->name($message);
            $message->update($facts);
            $message->wasChanged() && ($this->recordChange)($by, ChangeKind::MessageChanged, $was, [], $now);
        });
    }

    public function remove(StaffMember $by, Message $message, DateTimeImmutable $now): void
    {
        DB::transaction(function () use ($by, $message, $now): void {
            $message->delete();
            ($this->recordChange)($by, ChangeKind::MessageRemoved, $this->name($message), [], $now);
        });
    }

    private function name(Message $message): string
    {
        return "“{$message->in('en')['title']}”";
    }
}

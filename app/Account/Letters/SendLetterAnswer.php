<?php

declare(strict_types=1);

namespace App\Account\Letters;

use App\Models\Letter;
use App\Models\LetterPart;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Sends an answer to who wrote without a card. */
final class SendLetterAnswer implements ShouldQueue
{
    use Queueable;

    public int $tries = 6;

    public function __construct(private readonly int $partId) {}

    /** @return list<int> seconds between tries */
    public function backoff(): array
    {
        return [5, 30, 120, 600];
    }

    public function handle(LetterCarrier $carrier): void
    {
        $part = LetterPart::query()->find($this->partId);
        $letter = $part === null ? null : Letter::query()->with('library')->find($part->letter_id);
        if ($part !== null && $letter !== null) {
            $carrier->carry($letter, $part);
        }
    }
}

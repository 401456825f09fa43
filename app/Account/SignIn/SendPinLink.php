<?php

declare(strict_types=1);

namespace App\Account\SignIn;

use App\Models\Card;
use App\Shared\Sql;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Queue\ShouldBeEncrypted;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Sends a link to whoever forgot their PIN, if there is such a card and it has a mail address. In the background, so
 * that the answer to who asks takes as long for a number that is nobody's.
 */
final class SendPinLink implements ShouldBeEncrypted, ShouldQueue
{
    use Queueable;

    private const LETTERS = 40;

    public int $tries = 6;

    public function __construct(private readonly int $libraryId, private readonly string $number) {}

    /** @return list<int> seconds between tries */
    public function backoff(): array
    {
        return [5, 30, 120, 600];
    }

    public function handle(PinLinkCarrier $carrier): void
    {
        $card = Card::query()
            ->with(['person', 'library'])
            ->where(['library_id' => $this->libraryId, 'number' => $this->number])
            ->first();
        if ($card === null || $card->person->email === null) {
            return;
        }
        $key = Str::random(self::LETTERS);
        // The newest is the one that is good.
        DB::table('pin_links')->upsert(
            [
                'card_id' => $card->id,
                'key_hash' => hash('sha256', $key),
                'made_at' => Sql::second(CarbonImmutable::now()),
            ],
            ['card_id'],
            ['key_hash', 'made_at'],
        );
        $carrier->carry($card, route('pin.choose', $key));
    }
}

<?php

declare(strict_types=1);

namespace App\Account\SignIn;

use App\Account\Notices\GiveNotice;
use App\Models\Card;
use App\Models\Library;
use Carbon\CarbonImmutable;
use FigPorch\Core\Lending\NoticeKind;
use Illuminate\Support\Facades\Hash;

/**
 * Card number and PIN. Tries are slowed down by card and by address, and a wrong number costs as long as a wrong PIN.
 */
final class SignIn
{
    /** A hash of nothing in particular, to be compared against when there is no card. */
    public const NOBODY = '$2y$12$6wrE8gqQH6rZsMbbhpD3TOwwJ9cbTAPt3Q7XZ0mN4rfAIhs6T8cZa';

    public function __construct(private readonly GiveNotice $giveNotice) {}

    /** @return Card|int|null the card; seconds to wait after too many tries; null when number and PIN do not match */
    public function __invoke(Library $library, string $number, string $pin, string $address): Card|int|null
    {
        $limit = new TryLimit("card:{$library->id}:{$number}", $address);
        if (($wait = $limit->begin()) !== null) {
            return $wait;
        }
        $card = Card::query()
            ->with('person')
            ->where(['library_id' => $library->id, 'number' => $number])
            ->first();
        if (!Hash::check($pin, $card->pin_hash ?? self::NOBODY) || $card?->pin_hash === null) {
            // For a number that is nobody's too: it must take no less time.
            $wrong = $limit->failed();
            $card !== null && $wrong === (int) config('figporch.wrong_pins_told') && $this->tell($card, $wrong);

            return null;
        }
        $limit->succeeded();

        return $card;
    }

    /** Once in a while that so many were tried. */
    private function tell(Card $card, int $wrong): void
    {
        $now = CarbonImmutable::now();
        ($this->giveNotice)(
            $card->person_id,
            NoticeKind::WrongPins,
            "wrong-pins:{$card->id}:{$now->getTimestamp()}",
            ['tries' => $wrong, 'ending' => substr($card->number, -4), 'address' => '/settings'],
            $now,
        );
    }
}

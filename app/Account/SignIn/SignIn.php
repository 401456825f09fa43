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

    /** Whom a system that is silent now has confirmed so lately comes in all the same. */
    private const CONFIRMED_DAYS = 30;

    public function __construct(private readonly GiveNotice $giveNotice, private readonly CardAuthority $authority) {}

    public function __invoke(Library $library, string $number, string $pin, string $address): SignInOutcome
    {
        $limit = new TryLimit("card:{$library->id}:{$number}", $address);
        if (($wait = $limit->begin()) !== null) {
            return new SignInOutcome(wait: $wait);
        }
        $now = CarbonImmutable::now();
        $answer = $this->authority->ask($library, $number, $pin, $now);
        $card = Card::query()
            ->with(['person', 'library'])
            ->where(['library_id' => $library->id, 'number' => $number])
            ->first();
        $isSilent = $answer === AuthorityAnswer::Silent;
        $fits = match ($answer) {
            AuthorityAnswer::Fits => $card !== null,
            AuthorityAnswer::Wrong => false,
            // For a number that is nobody's too: it must take no less time.
            default => Hash::check($pin, $card->pin_hash ?? self::NOBODY) && $card?->pin_hash !== null,
        };
        if ($isSilent && (!$fits || $card?->confirmed_at < $now->subDays(self::CONFIRMED_DAYS))) {
            // Nobody knows whether it was wrong; it has counted as a try.
            return new SignInOutcome(isSystemSilent: true);
        }
        if (!$fits || $card === null) {
            $wrong = $limit->failed();
            $card !== null && $wrong === (int) config('figporch.wrong_pins_told') && $this->tell($card, $wrong);

            return new SignInOutcome();
        }
        $limit->succeeded();

        return new SignInOutcome($card, isSystemSilent: $isSilent);
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

<?php

declare(strict_types=1);

namespace App\Exchange\LibrarySystem;

use App\Account\SignIn\AuthorityAnswer;
use App\Account\SignIn\CardAuthority;
use App\Lending\Cards\IssueCards;
use App\Lending\Cards\NewCard;
use App\Models\Card;
use App\Models\Library;
use App\Models\SignInWays;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Account\LibrarySystem;
use FigPorch\Core\Exchange\Sip2\PatronAnswer;
use FigPorch\Core\Lending\CardNumber;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Log;

/** The cards of a library whose own system knows them: made here when they first come, and kept as it says. */
final class SystemCards implements CardAuthority
{
    private const NAME = 255;

    private const REASON = 300;

    public function __construct(private readonly AskSystem $ask, private readonly IssueCards $issueCards) {}

    public function ask(Library $library, string $number, string $pin, DateTimeImmutable $now): AuthorityAnswer
    {
        $system = SignInWays::of($library)->librarySystem();
        if ($system === null) {
            return AuthorityAnswer::Nobody;
        }
        if (!CardNumber::isOne($number)) {
            return AuthorityAnswer::Wrong;
        }
        try {
            $answer = $this->ask->patron($system, $number, $pin, $library->zone(), $now);
        } catch (SystemSilent $why) {
            Log::warning("The system of {$library->slug} is silent: {$why->getMessage()}");

            return AuthorityAnswer::Silent;
        }
        if (!$answer->isKnown || !$answer->pinFits) {
            return AuthorityAnswer::Wrong;
        }
        $this->keep(library: $library, system: $system, number: $number, pin: $pin, answer: $answer, now: $now);

        return AuthorityAnswer::Fits;
    }

    private function keep(
        Library $library,
        LibrarySystem $system,
        string $number,
        string $pin,
        PatronAnswer $answer,
        DateTimeImmutable $now,
    ): void {
        $name = mb_substr($answer->name ?? $number, 0, self::NAME);
        $email = filter_var($answer->email, FILTER_VALIDATE_EMAIL) === false ? null : $answer->email;
        $group = $system->group($answer->group);
        ($this->issueCards)($library, [
            new NewCard(name: $name, group: $group, number: $number, email: $email, pin: $pin),
        ]);
        $hash = Hash::make($pin);
        DB::transaction(function () use ($library, $number, $hash, $answer, $name, $email, $group, $now): void {
            $card = Card::query()
                ->where(['library_id' => $library->id, 'number' => $number])
                ->lockForUpdate()
                ->firstOrFail();
            $card->update([
                'pin_hash' => $hash,
                'patron_group' => $group,
                'expires_at' => $answer->expiresAt,
                'blocked_at' => $answer->isBlocked ? $card->blocked_at ?? Sql::second($now) : null,
                'block_reason' => $answer->isBlocked
                    ? mb_substr($answer->reason ?? __('sign_in.blocked_there'), 0, self::REASON)
                    : null,
                'confirmed_at' => Sql::second($now),
            ]);
            $card->person()->update(['name' => $name, ...$email === null ? [] : ['email' => $email]]);
        });
    }
}

<?php

declare(strict_types=1);

namespace App\Desk\Patrons;

use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Lending\Cards\IssueCards;
use App\Lending\Cards\Pin;
use App\Lending\Queues\FillFreeCopies;
use App\Models\Card;
use App\Models\StaffMember;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

/** What staff change of a card and of whose it is; each change stands in the audit trail. */
final class ChangeCard
{
    public function __construct(
        private readonly RecordChange $recordChange,
        private readonly FillFreeCopies $fillFreeCopies,
    ) {}

    /** @param  DateTimeImmutable|null  $until  the last moment at which it can be used; null: without an end */
    public function renew(StaffMember $by, Card $card, ?DateTimeImmutable $until, DateTimeImmutable $now): void
    {
        $this->change($by, $card, ChangeKind::CardRenewed, ['expires_at' => $until], $now);
    }

    /** @param  string  $reason  as the patron reads it; '' for none */
    public function block(StaffMember $by, Card $card, string $reason, DateTimeImmutable $now): void
    {
        $changes = ['blocked_at' => $card->blocked_at ?? $now, 'block_reason' => $reason === '' ? null : $reason];
        $this->change($by, $card, ChangeKind::CardBlocked, $changes, $now);
    }

    public function unblock(StaffMember $by, Card $card, DateTimeImmutable $now): void
    {
        $this->change($by, $card, ChangeKind::CardUnblocked, ['blocked_at' => null, 'block_reason' => null], $now);
    }

    /** @return string the new PIN, which is known for this moment alone */
    public function newPin(StaffMember $by, Card $card, DateTimeImmutable $now): string
    {
        $pin = Pin::make();
        $this->change($by, $card, ChangeKind::CardPin, ['pin_hash' => Hash::make($pin)], $now);

        return $pin;
    }

    /**
     * The card is lost: another number, and the old one lets nobody in.
     *
     * @param  string|null  $number  null: the next one
     * @return string|null the number; null where somebody has it
     */
    public function replace(StaffMember $by, Card $card, ?string $number, DateTimeImmutable $now): ?string
    {
        return DB::transaction(function () use ($by, $card, $number, $now): ?string {
            DB::select('select from libraries where id = ? for update', [$by->library_id]);
            $number ??= (string) IssueCards::next($by->library);
            if (
                Card::query()
                    ->where(['library_id' => $by->library_id, 'number' => $number])
                    ->exists()
            ) {
                return null;
            }
            $this->change($by, $card, ChangeKind::CardReplaced, ['number' => $number], $now);

            return $number;
        });
    }

    /**
     * @param  array<string, string|null>|null  $person  name and email; null where it stays as it is
     * @param  array<string, DateTimeImmutable|string|null>  $of  of the card: patron_group, class, expires_at
     */
    public function describe(StaffMember $by, Card $card, ?array $person, array $of, DateTimeImmutable $now): void
    {
        DB::transaction(function () use ($by, $card, $person, $of, $now): void {
            $this->change($by, $card, ChangeKind::CardChanged, $of, $now);
            if ($person !== null) {
                $card->person->fill($person);
                // What it was and is now is no business of a year: only that it was changed.
                $facts = array_map(fn(): array => [null, true], $card->person->getDirty());
                $card->person->save();
                $facts === [] || ($this->recordChange)($by, ChangeKind::CardChanged, $card, $facts, $now);
            }
        });
    }

    /** Whether name and mail address are this library's to change: where else they have a card, they are not. */
    public static function mayRename(Card $card): bool
    {
        return !Card::query()
            ->where('person_id', $card->person_id)
            ->where('library_id', '<>', $card->library_id)
            ->exists();
    }

    /** @param  array<string, DateTimeImmutable|string|null>  $changes */
    private function change(StaffMember $by, Card $card, ChangeKind $what, array $changes, DateTimeImmutable $now): void
    {
        DB::transaction(function () use ($by, $card, $what, $changes, $now): void {
            /** @var Card $card as it is now */
            $card = $card->newQuery()->lockForUpdate()->findOrFail($card->id);
            $could = self::canBorrow($card, $now);
            $was = clone $card;
            $card->fill($changes);
            $facts = [];
            foreach (array_keys($card->getDirty()) as $name) {
                $facts[$name] = match ($name) {
                    'pin_hash' => [null, true],
                    'blocked_at' => [$was->blocked_at !== null, $card->blocked_at !== null],
                    'expires_at' => [self::day($was), self::day($card)],
                    default => [$was->getAttribute($name), $card->getAttribute($name)],
                };
            }
            if ($facts === []) {
                return;
            }
            $card->save();
            ($this->recordChange)($by, $what, $was, $facts, $now);
            // A copy that is free goes to whom it could not go before.
            if (!$could && self::canBorrow($card, $now)) {
                foreach ($card->holds()->where('state', 'waiting')->orderBy('title_id')->pluck('title_id') as $title) {
                    $this->fillFreeCopies->ofTitle($title, $now);
                }
            }
        });
    }

    /** The last day on which a card is good, at its library. */
    private static function day(Card $card): ?string
    {
        return $card->expires_at?->setTimezone($card->library->zone())->format('Y-m-d');
    }

    private static function canBorrow(Card $card, DateTimeImmutable $now): bool
    {
        return $card->blocked_at === null && ($card->expires_at === null || $card->expires_at > $now);
    }
}

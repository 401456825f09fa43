<?php

declare(strict_types=1);

namespace App\Desk\Patrons;

use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Lending\Cards\EraseCard;
use App\Lending\Cards\MergeCards;
use App\Models\Card;
use App\Models\StaffMember;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** A card goes: erased, or made one with another. Its number goes from the audit trail, too. */
final class EndCard
{
    public function __construct(
        private readonly EraseCard $eraseCard,
        private readonly MergeCards $mergeCards,
        private readonly RecordChange $recordChange,
    ) {}

    /** @return bool false where it was gone already */
    public function erase(StaffMember $by, Card $card, DateTimeImmutable $now): bool
    {
        return DB::transaction(function () use ($by, $card, $now): bool {
            $this->forgetInTrail($card);
            if (!($this->eraseCard)($card, $now)) {
                return false;
            }
            ($this->recordChange)($by, ChangeKind::CardErased, '', [], $now);

            return true;
        });
    }

    /** @return bool false where one of them was gone already */
    public function merge(StaffMember $by, Card $keep, Card $other, DateTimeImmutable $now): bool
    {
        return DB::transaction(function () use ($by, $keep, $other, $now): bool {
            $number = $other->number;
            DB::table('desk_changes')
                ->where('card_id', $other->id)
                ->update(['card_id' => $keep->id]);
            if (!($this->mergeCards)($keep, $other, $now)) {
                return false;
            }
            ($this->recordChange)($by, ChangeKind::CardMerged, $keep, ['other_number' => [null, $number]], $now);

            return true;
        });
    }

    private function forgetInTrail(Card $card): void
    {
        DB::table('desk_changes')
            ->where('card_id', $card->id)
            ->update(['subject' => '', 'facts' => '{}']);
    }
}

<?php

declare(strict_types=1);

namespace App\Desk\Patrons;

use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Lending\Household\KeepHousehold;
use App\Models\Card;
use App\Models\StaffMember;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** The library says that an adult looks after a child's card, or no longer: it knows them, and needs no PIN. */
final class ConfirmHousehold
{
    public function __construct(private readonly KeepHousehold $keep, private readonly RecordChange $recordChange) {}

    /** @return string|null why not, by the key of its words in patrons.household_refused */
    public function add(StaffMember $by, Card $child, Card $adult, DateTimeImmutable $now): ?string
    {
        return DB::transaction(function () use ($by, $child, $adult, $now): ?string {
            $refused = $this->keep->add($adult->person, $child, $now);
            $facts = ['card' => [null, $adult->number]];
            if ($refused === null) {
                ($this->recordChange)($by, ChangeKind::HouseholdConfirmed, $child, $facts, $now);
            }

            return $refused;
        });
    }

    public function end(StaffMember $by, Card $child, int $adultId, DateTimeImmutable $now): void
    {
        DB::transaction(function () use ($by, $child, $adultId, $now): void {
            if ($this->keep->end($adultId, $child->id)) {
                ($this->recordChange)($by, ChangeKind::HouseholdEnded, $child, [], $now);
            }
        });
    }
}

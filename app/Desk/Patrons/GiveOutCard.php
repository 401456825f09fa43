<?php

declare(strict_types=1);

namespace App\Desk\Patrons;

use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Lending\Cards\IssueCards;
use App\Lending\Cards\IssuedCard;
use App\Lending\Cards\NewCard;
use App\Models\Card;
use App\Models\StaffMember;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** A card for somebody who stands at the desk. */
final class GiveOutCard
{
    public function __construct(private readonly IssueCards $issueCards, private readonly RecordChange $recordChange) {}

    /** @return IssuedCard|null null where somebody has the number */
    public function __invoke(StaffMember $by, NewCard $new, DateTimeImmutable $now): ?IssuedCard
    {
        return DB::transaction(function () use ($by, $new, $now): ?IssuedCard {
            $issued = ($this->issueCards)($by->library, [$new])[0];
            if ($issued !== null) {
                $facts = ['patron_group' => [null, $new->group]];
                ($this->recordChange)(
                    $by,
                    ChangeKind::CardIssued,
                    Card::query()->findOrFail($issued->id),
                    $facts,
                    $now,
                );
            }

            return $issued;
        });
    }
}

<?php

declare(strict_types=1);

namespace App\Desk\Setup;

use App\Desk\Staff\AddStaff;
use App\Lending\Cards\IssueCards;
use App\Lending\Cards\IssuedCard;
use App\Lending\Cards\NewCard;
use App\Models\StaffMember;
use FigPorch\Core\Desk\StaffRole;
use Illuminate\Support\Facades\Hash;

/** The first library with its first member of staff and its first cards, on the word of the link that is good once. */
final class OpenFirstLibrary
{
    public function __construct(
        private readonly SetupLink $link,
        private readonly CreateLibrary $createLibrary,
        private readonly IssueCards $issueCards,
        private readonly AddStaff $addStaff,
    ) {}

    /**
     * @param  array{name: string, email: string, password: string}  $staff
     * @param  list<string>  $patrons  their names
     * @return array{staff: StaffMember, cards: array<IssuedCard>}|null null where the link has been
     *     used
     */
    public function __invoke(string $key, NewLibrary $new, array $staff, array $patrons): ?array
    {
        return $this->link->use($key, function () use ($new, $staff, $patrons): array {
            $library = ($this->createLibrary)($new);

            return [
                'staff' => ($this->addStaff)(
                    $library,
                    StaffRole::Director,
                    $staff['name'],
                    $staff['email'],
                    Hash::make($staff['password']),
                ),
                'cards' => array_filter(
                    ($this->issueCards)(
                        $library,
                        array_map(fn(string $name): NewCard => new NewCard($name, $new->rules->groups()[0]), $patrons),
                    ),
                ),
            ];
        });
    }
}

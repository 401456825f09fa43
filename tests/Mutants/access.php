<?php

declare(strict_types=1);

/* Who may what: a condition on person or library left out. As in lending.php. */
$patron = 'test_who_may_what.*another patron';
$elsewhere = 'test_who_may_what.*staff of another library';

return [
    ['app/Lending/Loans/LoanPolicy.php', "\$person->cards->contains('id', \$loan->card_id)", 'true', $patron],
    ['app/Lending/Holds/HoldPolicy.php', "\$person->cards->contains('id', \$hold->card_id)", 'true', $patron],
    [
        'app/Lending/Requests/TitleRequestPolicy.php',
        "\$person->cards->contains('id', \$asked->card_id)",
        'true',
        $patron,
    ],
    ['app/Lending/Requests/TitleRequestPolicy.php', '$asked->library_id === $staff->library_id', 'true', $elsewhere],
    ['app/Catalogue/SavedSearches/SavedSearchPolicy.php', '$saved->person_id === $person->id', 'true', $patron],
    ['app/Catalogue/Baskets/BasketPolicy.php', '$this->own->owner($this->request)->owns($basket)', 'true', $patron],
    ['app/Reading/Marks/MarkPolicy.php', '$mark->person_id === $person->id && ', '', $patron],
    ['app/Reading/Marks/MarkPolicy.php', ' && !$mark->removed', '', 'MarkTest'],
    ['app/Exchange/Push/PushDevicePolicy.php', '$device->person_id === $person->id', 'true', $patron],
    ['app/Desk/Lists/StaffListPolicy.php', '$list->library_id === $staff->library_id', 'true', $elsewhere],
    [
        'app/Lending/Borrowing/BorrowController.php',
        "        Gate::authorize('own', \$loan);\n",
        '',
        'BorrowingJourneyTest',
    ],
    ['app/Lending/Loans/RequireOpenLoan.php', '$loan->isOpen(now())', 'true', 'AccessTest'],
    ['app/Desk/Titles/LicenceRequest.php', "'library_id' => \$library->id, ", '', 'test_a_number_in_a_form'],
    ['app/Exchange/Push/ForgetDevice.php', "where('person_id', \$person->id)->", '', 'PushTest'],
    [
        'app/Reading/Marks/Marks.php',
        "'person_id' => \$personId, 'title_id' => \$titleId, 'removed'",
        "'title_id' => \$titleId, 'removed'",
        'MarkTest|RouteAccess',
    ],
    [
        'app/Catalogue/StaffLists/StaffLists.php',
        "where('library_id', \$library->id)",
        "where('library_id', '>', 0)",
        'RoomTest|' . $elsewhere,
    ],
    [
        'app/Account/Notices/ReadNotices.php',
        "where('person_id', \$person->id)->",
        '',
        'NoticeTest|SessionTest|' . $patron,
    ],
    ['routes/desk.php', "->can('answer', 'asked');", ';', $elsewhere],
    ['routes/reading.php', "->can('own', 'mark')", '', $patron],
];

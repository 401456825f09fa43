<?php

declare(strict_types=1);

/*
 * Small faults, each with the test that must notice it: file, what stands there, what stands there instead, and a
 * filter of PHPUnit, or a file of tests/Scripts.
 */
return [
    // Who may borrow: the order of refusals, and each of them.
    ['core/Lending/CardStanding.php', '$this->blocked => new', 'false => new', 'DecisionTest'],
    ['core/Lending/CardStanding.php', '$this->expiresAt <= $now', '$this->expiresAt < $now', 'DecisionTest'],
    ['core/Lending/BorrowDecision.php', '$terms->audienceCeiling->covers($titleAudience)', 'true', 'DecisionTest'],
    ['core/Lending/BorrowDecision.php', '$counted < $terms->maxLoans', '$counted <= $terms->maxLoans', 'DecisionTest'],
    ['core/Lending/BorrowDecision.php', '!$terms->offers($length)', 'false', 'DecisionTest'],
    ['core/Lending/BorrowDecision.php', '!$anyFuture && $openLoanId === null', '!$anyFuture', 'DecisionTest'],
    ['core/Lending/BorrowDecision.php', '$kept ?? SpendingOrder', 'SpendingOrder', 'DecisionTest'],
    ['core/Lending/BorrowDecision.php', '$l->startsAt <= $now);', 'true);', 'DecisionTest'],
    ['core/Lending/BorrowDecision.php', 'if ($onOrder) {', 'if (false) {', 'DecisionTest|OnOrderTest'],
    ['core/Lending/Licence.php', 'return !$this->onOrder &&', 'return', 'LicenceTest'],
    ['core/Lending/LongerDecision.php', '$waiting > 0 && $copiesFree < 1', '$waiting > 0', 'DecisionTest'],
    ['core/Lending/LongerDecision.php', '!$was->inHours, ', '', 'DecisionTest'],
    ['core/Lending/LongerDecision.php', '->dueAt($startedAt,', '->dueAt($now,', 'DecisionTest'],
    ['database/functions/lending/lending_renew.sql', ' and h.card_id <> p_card', '', 'ShortLookTest'],
    [
        'database/functions/lending/licence_rules.sql',
        'select li.file_came_at is not null and li.starts_at <= p_now and (li.ends_at is null or li.ends_at > p_now)
        and (li.loans_left is null or li.loans_left > 0) and (',
        'select li.starts_at <= p_now and (li.ends_at is null or li.ends_at > p_now)
        and (li.loans_left is null or li.loans_left > 0) and (',
        'LicenceRulesTest|OnOrderTest',
    ],
    ['database/functions/lending/licences_on_order.sql', ' for key share', '', 'OnOrderTest'],
    ['database/functions/lending/licences_on_order.sql', ' for update', '', 'OnOrderTest'],
    ['app/Reading/Publications/ImportPublication.php', '$this->fillFreeCopies->ofTitle', '(fn() => 1)', 'OnOrderTest'],
    ['app/Lending/Holds/PlaceHold.php', ' && !$facts->isShortLook', '', 'ShortLookTest'],
    ['app/Lending/Follows/DeliverNewIssues.php', 'li.file_came_at is not null and ', '', 'FollowTest'],
    ['app/Catalogue/Search/HeldTitles.php', '"when not ({$fits($listed)}) then 0 "', "''", 'ForThisCardTest'],
    ['app/Catalogue/BitmapSearch/BitmapSearch.php', '$here->and($listed)', '$here', 'ForThisCardTest'],
    ['app/Catalogue/Suggestions/HeldByName.php', '$gathered->and($listed)', '$gathered', 'ForThisCardTest'],
    ['app/Catalogue/Suggestions/Suggest.php', ', eligibility: $eligibility', '', 'ForThisCardTest'],
    [
        'app/Shared/Middleware/SetLibraryAndLocale.php',
        '!str_starts_with($referer, $request->getSchemeAndHttpHost() . \'/\')',
        'false',
        'AddressTest',
    ],
    ['app/Shared/Middleware/LibraryInAddress.php', '$request->session()->reflash();', '', 'AddressTest'],
    ['core/Lending/HoldDecision.php', 'if ($alreadyHeld) {', 'if (false) {', 'DecisionTest'],
    ['core/Lending/HoldDecision.php', 'if ($alreadyOnLoan) {', 'if (false) {', 'DecisionTest'],
    ['core/Lending/HoldDecision.php', '$counted >= $terms->maxHolds', '$counted > $terms->maxHolds', 'DecisionTest'],
    [
        'core/Lending/RenewalDecision.php',
        '$renewals >= $terms->maxRenewals',
        '$renewals > $terms->maxRenewals',
        'DecisionTest',
    ],
    ['core/Lending/RenewalDecision.php', '$now < $opensAt =>', 'false =>', 'DecisionTest'],
    ['core/Lending/RenewalDecision.php', '$waiting > 0 && $copiesFree < 1', '$waiting > 0', 'DecisionTest'],
    ['core/Lending/RenewalDecision.php', '$length->dueAt($dueAt,', '$length->dueAt($now,', 'DecisionTest'],
    // Licences and what is spent.
    [
        'core/Lending/Licence.php',
        '$this->endsAt > $now) &&
            ($this->loansLeft === null || $this->loansLeft > 0);',
        '$this->endsAt >= $now) &&
            ($this->loansLeft === null || $this->loansLeft > 0);',
        'LicenceTest',
    ],
    ['core/Lending/Licence.php', '$this->startsAt <= $now &&', '$this->startsAt < $now &&', 'LicenceTest'],
    ['core/Lending/Licence.php', '($this->copiesFree === null || $this->copiesFree > 0);', 'true;', 'LicenceTest'],
    ['core/Lending/Licence.php', ' || $this->model === LicenceModel::PayPerLoan);', ');', 'LicenceTest|PayPerLoanTest'],
    ['core/Lending/SpendingOrder.php', '=> [0, 0, 0, $licence->id]', '=> [4, 0, 0, $licence->id]', 'LicenceTest'],
    ['core/Lending/SpendingOrder.php', '$licence->libraryId === $libraryId ? 1 : 2', '1', 'LicenceTest'],
    ['core/Lending/SpendingOrder.php', '-self::loansPerDay', 'self::loansPerDay', 'LicenceTest'],
    ['core/Lending/SpendingOrder.php', '[$of, 2, 0, $licence->id]', '[$of, 0, 0, $licence->id]', 'LicenceTest'],
    [
        'core/Lending/PayPerLoan.php',
        '$this->loans >= $this->most',
        '$this->loans > $this->most',
        'DecisionTest|PayPerLoanTest',
    ],
    // Lengths and rules.
    ['core/Lending/LoanLength.php', '$start->setTimezone($libraryZone)->modify', '$start->modify', 'LoanLengthTest'],
    ['core/Lending/LoanLength.php', '$this->amount * 3600)', '$this->amount * 86400)', 'LoanLengthTest'],
    [
        'core/Lending/LoanRule.php',
        '($this->group !== null ? 2 : 0)',
        '($this->group !== null ? 1 : 0)',
        'LoanTermsTest',
    ],
    ['core/Lending/LoanRule.php', '$this->format === $format', 'true', 'LoanTermsTest'],
    ['core/Lending/LoanTerms.php', 'in_array($ownDefault, $lengths, false)', 'true', 'LoanTermsTest'],
    // Lines.
    ['core/Lending/NextInLine.php', '$hold->isPaused($now) || ', '', 'LineTest'],
    ['core/Lending/NextInLine.php', '$others ??= $licence', '$others = $licence', 'LineTest'],
    ['core/Lending/MissedHold.php', '$earlierMisses > 0 ||', 'false ||', 'LineTest'],
    [
        'core/Lending/PickupWindow.php',
        '2 * $holdKeptHours * 3600 - $keptSeconds >=',
        '3 * $holdKeptHours * 3600 - $keptSeconds >=',
        'LineTest',
    ],
    ['core/Lending/WorstCaseWait.php', '$loansLeft[$i] < 1 || ', '', 'LineTest'],
    ['core/Lending/WorstCaseWait.php', '2 * $holdKeptHours', '0 * $holdKeptHours', 'LineTest'],
    ['core/Lending/WorstCaseWait.php', '$licence->libraryId !== $libraryId ||', 'false ||', 'LineTest'],
    // Guards of the SQL functions: none of them may be trusted to the rules alone.
    [
        'database/functions/lending/lending_borrow.sql',
        'and (p_limit_format is not null or loans_open < p_limit) returning',
        'returning',
        'GuardTest',
    ],
    [
        'database/functions/lending/lending_borrow.sql',
        'if p_limit_format is not null and p_limit <= (',
        'if false and p_limit <= (',
        'GuardTest',
    ],
    [
        'database/functions/lending/lending_borrow.sql',
        "elsif v_hold.state = 'ready' then",
        'elsif false then',
        'GuardTest',
    ],
    [
        'database/functions/lending/lending_borrow.sql',
        'update cards set holds_open = holds_open - 1 where id = p_card;',
        '',
        'HoldTest',
    ],
    [
        'database/functions/lending/lending_borrow.sql',
        'licence_can_lend(li, p_now)',
        'licence_is_live(li, p_now)',
        'GuardTest',
    ],
    [
        'database/functions/lending/lending_borrow.sql',
        'and p_limit > case when pay_month = v.month then pay_loans else 0 end;',
        ';',
        'GuardTest',
    ],
    [
        'database/functions/lending/lending_borrow.sql',
        ' and spent_cents + v.price_cents <= budget_cents;',
        ';',
        'PayPerLoanTest|GuardTest',
    ],
    ['database/functions/lending/lending_renew.sql', 'and due_at = p_old_due ', '', 'GuardTest'],
    ['database/functions/lending/lending_renew.sql', ' and due_at > p_now', '', 'GuardTest'],
    [
        'database/functions/lending/lending_end_loan.sql',
        "ended_at = least(due_at, p_now), end_reason = 'returned'",
        "ended_at = p_now, end_reason = 'returned'",
        'GuardTest',
    ],
    [
        'database/functions/lending/lending_end_loan.sql',
        'ended_at is null and due_at <= p_now order by id for update',
        'ended_at is null order by id for update',
        'GuardTest',
    ],
    [
        'database/functions/lending/lending_pass_on.sql',
        'licence_serves(v_licence.shared, o, lib)',
        '(o.id = lib.id or v_licence.shared)',
        'NextInLineTest',
    ],
    ['database/functions/lending/licence_rules.sql', 'c.blocked_at is null and ', '', 'NextInLineTest'],
    [
        'database/functions/lending/lending_pass_on.sql',
        'order by h.library_id <> v_licence.library_id, h.line_at',
        'order by h.line_at',
        'NextInLineTest',
    ],
    [
        'database/functions/lending/licence_rules.sql',
        "or h.state = 'paused' and h.paused_until <= p_now)",
        ')',
        'NextInLineTest',
    ],
    [
        'database/functions/lending/licence_rules.sql',
        'p_at.consortium_id = p_owner.consortium_id',
        'true',
        'LicenceRulesTest',
    ],
    [
        'database/functions/lending/lending_facts.sql',
        'and licence_serves(li.shared, o, lib)',
        'and (li.shared or o.id = lib.id)',
        'BorrowTest',
    ],
    ['database/functions/lending/licences_model.sql', 'and not new.shared', '', 'PayPerLoanTest|GuardTest'],
    // Actions.
    ['app/Lending/Requests/WithdrawRequest.php', "->where('state', 'open')", '', 'RequestTest|GuardTest'],
    [
        'app/Lending/Follows/FollowMagazine.php',
        "->where(['card_id' => \$card->id, 'series_id' => \$seriesId])\n            ->delete()",
        "->where(['series_id' => \$seriesId])\n            ->delete()",
        'FollowTest',
    ],
    ['app/Lending/Classes/ClassPolicy.php', '$class->teacher->person_id === $person->id', 'true', 'RouteAccessTest'],
    ['app/Lending/Classes/Teachers.php', '$card->blocked_at === null &&', '', 'ClassesTest'],
    [
        'app/Lending/Classes/ArrangeClasses.php',
        '$class->ends_on < $now->setTimezone',
        "'' > \$now->setTimezone",
        'ClassesTest',
    ],
    ['core/Lending/ClassSetCapacity.php', '$loans = max(0, $loans - $waiting);', '', 'ClassSetCapacityTest'],
    [
        'core/Lending/Forecast/GivingUp.php',
        'return $age + $left / $rates[$n] - $waited;',
        'return $left / $rates[$n];',
        'CoverageTest',
    ],
    [
        'core/Lending/Forecast/LongQueue.php',
        '$served += $stays * $this->turns;',
        '$served += $this->turns;',
        'CoverageTest',
    ],
    [
        'core/Lending/Forecast/Correction.php',
        'max($of[0] - $of[2], $of[2] - $of[1])',
        '$of[2] - $of[1]',
        'CorrectionTest',
    ],
    [
        'app/Lending/Waits/KeepScore.php',
        'came_at = h.ready_at, hold_id = null',
        'came_at = h.ready_at',
        'KeepScoreTest',
    ],
    [
        'app/Lending/Waits/MeasureHabits.php',
        "h.state = 'cancelled' and h.ready_at is null gave_up",
        "h.state = 'cancelled' gave_up",
        'MeasureHabitsTest',
    ],
];

<?php

declare(strict_types=1);

return [
    'heading' => 'Pay per loan',
    'text' => 'Titles that are paid for loan by loan: what the month may cost, what it has cost, and what it will.',
    'spent' => 'Spent',
    'spent_of' => 'spent of :budget',
    'expected' => 'expected by the end of the month',
    'between' => '8 in 10 between :from and :to',
    'used_up' => 'The budget is used up.',
    'used_up_on' => 'The budget lasts until about :date.',
    'used_up_text' => 'After that these titles are lent again next month, or when the budget is raised.',
    'lasts' => 'The budget lasts the month.',
    'no_cap' => 'No limit for each patron.',
    'cap' => '{0} Patrons have no such loans.|{1} Each patron may have :count such loan a month, where no other rule says more.|[2,*] Each patron may have :count such loans a month, where no other rule says more.',
    'months' => 'Month by month',
    'usual' => 'Each month without a budget of its own, in :currency',
    'budget_of' => 'Budget of :month',
    'loans' => 'Loans',
    'dearest' => 'What the most was paid for in the last year',
    'none' => 'No loan was paid for in the last year.',
    'needs_budget' => 'A budget is a sum of money, such as 300 or 300.50, for this month or one of the next three.',
    'spent_more' => 'That is less than :sum, which is spent already. Enter that much at least.',
    'kept' => 'Budget saved.',
    'rests_text' => 'The rate is that of the last 28 days, or since there has been such a licence. Loans are taken to come by chance at this rate, each at a price like those of late; the range holds 8 times in 10 if that goes on. The budget stops loans, so no more than it is expected.',
];

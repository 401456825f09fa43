<?php

declare(strict_types=1);

return [
    'heading' => 'Ends and renewals',
    'text' => 'Licences that end within a year: what each was used for, who waits, and what the same again would give.',
    'by_month' => 'By month',
    'all_year' => 'All that end within a year',
    'none' => 'No licence ends within a year.',
    'none_in_month' => 'No licence ends in this month.',
    'columns' => ['ends' => 'Ends', 'title' => 'Title and licence', 'price' => 'Price', 'lent' => 'Lent', 'per_loan' => 'Each loan so far', 'line' => 'In line', 'again' => 'The same again'],
    'expected' => ':count loan|:count loans',
    'ordered' => 'ordered',
    'no_price' => 'no price known',
    'no_loans' => 'no more loans than without it',
    'renew' => 'Renew',
    'rests' => 'What these figures rest on',
    'rests_text' => 'Loans expected are reckoned from loans begun in the last 180 days and from who waits now, for as long as the licence ran, at the price it had. Loans that the library’s other licences of the title can give are not counted.',
    'csv' => ['licence' => 'Licence', 'title' => 'Title', 'people' => 'People', 'format' => 'Format', 'model' => 'Model', 'copies' => 'Copies', 'starts' => 'Starts', 'ends' => 'Ends', 'price' => 'Price', 'lent' => 'Lent', 'per_loan' => 'Each loan so far', 'line' => 'In line', 'expected' => 'Loans expected of the same again', 'expected_per_loan' => 'Each of these'],
];

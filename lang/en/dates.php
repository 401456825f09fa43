<?php

declare(strict_types=1);

return [
    'today_at' => 'today at :time',
    'tomorrow_at' => 'tomorrow at :time',
    'in_days' => ':day, in :days days',
];

<?php

declare(strict_types=1);

return [
    'today_at' => '{1}today at :time|[2,*]today at :time',
    'tomorrow_at' => '{1}tomorrow at :time|[2,*]tomorrow at :time',
    'in_days' => ':day, in :days days',
    'days' => '{1}1 day|[2,*]:count days',
    'weeks' => '{1}1 week|[2,*]:count weeks',
    'months' => '{1}1 month|[2,*]:count months',
    'range' => ':from to :to',
];

<?php

declare(strict_types=1);

return [
    'today_at' => 'hoy a las :time',
    'tomorrow_at' => 'mañana a las :time',
    'in_days' => ':day, dentro de :days días',
];

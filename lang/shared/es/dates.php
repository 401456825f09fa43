<?php

declare(strict_types=1);

return [
    'today_at' => '{1}hoy a la :time|[2,*]hoy a las :time',
    'tomorrow_at' => '{1}mañana a la :time|[2,*]mañana a las :time',
    'in_days' => ':day, dentro de :days días',
    'days' => '{1}1 día|[2,*]:count días',
    'weeks' => '{1}1 semana|[2,*]:count semanas',
    'months' => '{1}1 mes|[2,*]:count meses',
    'range' => 'del :from al :to',
];

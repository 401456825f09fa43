<?php

declare(strict_types=1);

return [
    'licences_heading' => 'Licencias y presión de reservas',
    'shows' => ['waited_for' => 'Títulos esperados', 'pressed' => 'Títulos con :high reservas por copia o más', 'no_copy' => 'Títulos esperados sin copia alguna', 'ending' => 'Títulos con una licencia que acaba en :days días', 'few_loans' => 'Títulos con :few préstamos restantes o menos', 'all' => 'Todos los títulos'],
    'find' => 'Título, persona o materia',
    'target' => 'Meta: una espera de menos de',
    'target_days' => ':days días',
    'show' => 'Mostrar',
    'wait_note' => '8 de cada 10, menos de',
    'extra_note' => 'para menos de :days días',
    'no_copies' => 'ninguna',
];

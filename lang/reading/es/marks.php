<?php

declare(strict_types=1);

return [
    'no_marks' => 'Aún no tiene marcas. Mientras lee, escucha o ve, «Marcar este punto» guarda una; el texto que seleccione en un libro se puede resaltar; unas y otras llevan notas.',
    'no_mark_with' => 'Ninguna marca tiene «:words» en su nota, texto, punto o título.',
    'find_mark' => 'Buscar en las marcas',
    'save_marks' => 'Guardar todo como',
    'too_many_marks' => 'Tiene :most marcas, el máximo. Quite algunas para hacer sitio.',
];

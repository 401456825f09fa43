<?php

declare(strict_types=1);

return [
    'no_marks' => 'Aún no tiene marcas. Mientras lee, escucha o ve, «Marcar este punto» guarda una; el texto que seleccione en un libro se puede resaltar; unas y otras llevan notas.',
    'no_mark_with' => 'Ninguna marca tiene «:words» en su nota, texto, punto o título.',
    'no_mark_of' => 'Ninguna marca es «:colour».',
    'find_mark' => 'Buscar en las marcas',
    'save_marks' => 'Guardar todo como',
    'too_many_marks' => 'Tiene :most marcas, el máximo. Quite algunas para hacer sitio.',
    'colours_names' => 'Qué significan los colores',
    'colours_text' => 'Un nombre propio para cada color de resaltado. Aparece donde se elige o se lista el color.',
    'colours_kept' => 'Los nombres se han guardado.',
    'colour_too_long' => 'Un nombre tiene como máximo :most letras.',
    'all_colours' => 'Todas las marcas',
    'of_work' => 'Marcas en «:name»',
    'to_print' => 'Todas las de esta obra, para leer e imprimir',
    'nothing_in_work' => 'Aún no tiene marcas en esta obra.',
    'print_all' => 'Imprimir',
];

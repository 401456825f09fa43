<?php

declare(strict_types=1);

return [
    'heading' => 'Su archivo',
    'of' => ['epub' => 'EPUB', 'pdf' => 'PDF', 'package' => 'Paquete W3C', 'files' => 'Solo los archivos', 'pages' => 'Páginas :from a :to en PDF'],
    'waiting' => '{0} Se está preparando.|{1} Se prepara después de :count archivo más.|[2,*] Se prepara después de :count archivos más.',
    'may_close' => 'Puede seguir leyendo o cerrar esta página: el archivo se sigue preparando, y esta dirección lleva a él.',
    'ready' => 'Su archivo está listo.',
    'save' => 'Guardar el archivo',
    'until' => 'Se queda aquí dos horas, o hasta que devuelva el préstamo.',
    'failed' => 'No se pudo preparar el archivo. No se ha perdido nada: inténtelo de nuevo y, si vuelve a fallar, avise a la biblioteca.',
    'again' => 'Prepararlo de nuevo',
    'too_many' => '{1} Aún se prepara uno de sus archivos. Pida el siguiente cuando esté listo.|[2,*] Aún se preparan :count de sus archivos. Pida el siguiente cuando uno esté listo.',
    'to_loans' => 'A sus préstamos',
];

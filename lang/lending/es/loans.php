<?php

declare(strict_types=1);

return [
    'read' => 'Leer',
    'listen' => 'Escuchar',
    'watch' => 'Ver',
    'due' => 'Vence: :date',
    'returned' => '«:name» está devuelto.',
    'returned_before' => '«:name» ya estaba devuelto.',
    'return_undone' => 'Vuelve a estar prestado a su nombre, como antes.',
    'return_not_undone' => 'El ejemplar ya es de otra persona; la devolución no puede deshacerse.',
    'no_loans' => 'Ahora mismo no tiene nada prestado.',
    'page_reached' => 'Página :page de :pages',
    'time_reached' => ':time de :total',
    'not_begun' => 'Sin empezar',
    'renewed' => 'Renovado. «:name» vence ahora: :date.',
    'renew_from' => 'Se puede renovar desde el :date',
    'download' => 'Descargar:',
    'downloads' => ['epub' => 'EPUB', 'pdf' => 'PDF', 'package' => 'paquete W3C', 'files' => 'solo los archivos'],
];

<?php

declare(strict_types=1);

return [
    'keep_longer' => 'Conservarlo más tiempo',
    'can_be_longer' => 'Nadie espera: puede conservarlo hasta el :date.',
    'kept_longer' => '«:name» es suyo hasta :date, con el mismo préstamo.',
    'others_wait' => 'Otros esperan, así que termina entonces. Entretanto puede reservarlo.',
    'others_wait_range' => 'Otros esperan, así que termina entonces. Con una reserva lo tendría otra vez, 8 de cada 10: :range.',
    'others_wait_held' => 'Otros esperan, así que termina entonces. Está en la cola para tenerlo otra vez.',
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
    'downloads' => ['epub' => 'EPUB', 'pdf' => 'PDF', 'package' => 'paquete W3C', 'files' => 'solo los archivos', 'protected.epub' => 'EPUB protegido', 'protected.lcpdf' => 'PDF protegido', 'protected.lcpa' => 'audiolibro protegido', 'lcpl' => 'solo la licencia'],
];

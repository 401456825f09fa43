<?php

declare(strict_types=1);

return [
    'title' => 'Registro de cambios',
    'text' => 'Lo que el personal cambió aquí en el último año. Nunca se anota qué leen los lectores.',
    'when' => 'Cuándo',
    'who' => 'Quién',
    'what_heading' => 'Qué',
    'subject' => 'De',
    'change' => 'De → a',
    'anybody' => 'Cualquiera',
    'anything' => 'Cualquier cosa',
    'from' => 'Desde',
    'until' => 'Hasta',
    'find' => 'Con las palabras',
    'empty' => 'Aquí aún no se ha cambiado nada.',
    'none' => 'No se cambió nada así.',
    'nothing' => 'nada',
    'yes' => 'sí',
    'no' => 'no',
    'what' => [
        'staff_invited' => 'Invitación',
        'staff_joined' => 'Empezó a trabajar aquí',
        'staff_role' => 'Otra función',
        'staff_left' => 'Se fue',
    ],
    'facts' => ['role' => 'Función'],
];

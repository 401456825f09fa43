<?php

declare(strict_types=1);

return [
    'heading' => 'Hogar',
    'text' => 'Carnés de niños que usted cuida: qué está en préstamo y hasta cuándo, y qué esperan. Lo que han devuelto no lo ve, ni hasta dónde han leído.',
    'none' => 'Aún no cuida ningún carné.',
    'add' => 'Cuidar el carné de un niño',
    'add_text' => 'Con el número y el PIN del carné del niño. El niño ve en Ajustes que usted lo cuida, y ambos pueden ponerle fin.',
    'ask_library' => 'Sin el PIN puede confirmarlo la biblioteca: en su mostrador, con ambos carnés, o por carta.',
    'added' => 'Usted cuida el carné de :name.',
    'refused' => [
        'own' => 'Ese es un carné suyo.',
        'young' => 'Solo los adultos cuidan carnés, y ninguno de los suyos es de adulto.',
        'grown_up' => 'Ese es un carné de adulto. Solo se pueden cuidar carnés de niños.',
        'many' => 'Ya cuida doce carnés, que es el máximo. Deje antes uno.',
    ],
    'end' => 'Dejar de cuidarlo',
    'ended' => 'Se ha terminado.',
    'due' => 'vence :date',
    'nothing' => 'No hay nada en préstamo ni se espera nada.',
    'waits' => 'espera en la cola',
    'ready' => 'listo, se guarda hasta el :date',
    'for_child' => 'Reservar para :child',
    'held' => ':child está en la cola para «:name».',
    'looked_after' => ':name cuida este carné: ve qué está en préstamo y hasta cuándo, y hace reservas.',
];

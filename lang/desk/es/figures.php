<?php

declare(strict_types=1);

return [
    'heading' => 'El año en cifras',
    'text' => 'El año de la biblioteca junto al anterior. Las cifras tras las que podría haber menos de cinco personas no se muestran (·).',
    'year' => 'Año',
    'counted' => 'Sumado :at; de nuevo dentro de una hora.',
    'none' => 'Aún nada en este año.',
    'bar' => 'Como barra',
    'of' => [
        'loans' => ['Préstamos', 'Mes', 'Préstamos empezados por personas de esta biblioteca, con ejemplares de quien fueran. Renovar no es un préstamo nuevo.'],
        'people' => ['Personas que tomaron prestado', 'Mes', 'Carnés con al menos un préstamo empezado en el mes. Quién fue no se guarda con qué fue.'],
        'formats' => ['Por formato', 'Formato', 'Préstamos empezados, por el formato del título.'],
        'groups' => ['Por grupo', 'Grupo', 'Préstamos empezados, por el grupo de la persona entonces. Falta el grupo del que nunca cinco tomaron prestado en un mismo mes; los préstamos de antes de contarlo no tienen grupo.'],
        'subjects' => ['Por materia', 'Materia', 'Préstamos empezados; un título con varias materias cuenta en cada una. Las quince más prestadas.'],
        'titles' => ['Lo más prestado', 'Título', 'Préstamos empezados de cada título, los quince más prestados.'],
        'waits' => ['Cuánto esperó la gente', 'Formato', 'Días desde la reserva hasta que su ejemplar estuvo listo: la mediana, de las reservas cuyo ejemplar llegó en el año. Con menos de cinco no se muestra.'],
        'turnaways' => ['Sin poder llevárselo', 'Por qué', 'Veces que alguien quiso tomar prestado y no pudo.'],
        'requests' => ['Pedido y no está aquí', 'Mes', 'Peticiones de títulos de los que la biblioteca no tiene licencia.'],
        'cost' => ['Lo que costó un préstamo', 'Formato', 'Precios de licencias que empezaron en el año, y préstamos pagados uno a uno, por cada préstamo de su formato. Una licencia más larga cuenta en el año en que empezó.'],
        'hours' => ['Por día de la semana y hora', 'Día', 'Préstamos empezados, por el reloj de la biblioteca. Menos de cinco no se muestran.'],
    ],
];

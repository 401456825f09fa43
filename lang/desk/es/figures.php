<?php

declare(strict_types=1);

return [
    'heading' => 'El año en cifras',
    'text' => 'El año de la biblioteca junto al anterior. Las cifras tras las que podría haber menos de cinco personas no se muestran (·).',
    'year' => 'Año',
    'counted' => 'Sumado :at; de nuevo dentro de una hora.',
    'none' => 'Aún nada en este año.',
    'bar' => 'Como barra',
    'ahead' => ['0-3' => 'hasta 3 delante (:cases)', '4-10' => 'de 4 a 10 delante (:cases)', '11-40' => 'de 11 a 40 delante (:cases)', '41' => 'más de 40 delante (:cases)'],
    'of' => [
        'loans' => ['Préstamos', 'Mes', 'Préstamos empezados por personas de esta biblioteca, con ejemplares de quien fueran. Renovar no es un préstamo nuevo.'],
        'people' => ['Personas que tomaron prestado', 'Mes', 'Carnés con al menos un préstamo empezado en el mes. Quién fue no se guarda con qué fue.'],
        'formats' => ['Por formato', 'Formato', 'Préstamos empezados, por el formato del título.'],
        'groups' => ['Por grupo', 'Grupo', 'Préstamos empezados, por el grupo de la persona entonces. Falta el grupo del que nunca cinco tomaron prestado en un mismo mes; los préstamos de antes de contarlo no tienen grupo.'],
        'subjects' => ['Por materia', 'Materia', 'Préstamos empezados; un título con varias materias cuenta en cada una. Las quince más prestadas.'],
        'titles' => ['Lo más prestado', 'Título', 'Préstamos empezados de cada título, los quince más prestados.'],
        'waits' => ['Cuánto esperó la gente', 'Formato', 'Días desde la reserva hasta que su ejemplar estuvo listo: la mediana, de las reservas cuyo ejemplar llegó en el año. Con menos de cinco no se muestra.'],
        'promises' => ['Cuántas veces acertaron las fechas', 'Cola', 'De los intervalos que se mostraron al reservar y cuyo ejemplar ya llegó: cuántos de cada cien lo contenían. Se busca 80; cada noche los intervalos de cada longitud de cola se mueven según lo que faltó a los últimos 300.'],
        'turnaways' => ['Sin poder llevárselo', 'Por qué', 'Veces que alguien quiso tomar prestado y no pudo.'],
        'requests' => ['Pedido y no está aquí', 'Mes', 'Peticiones de títulos de los que la biblioteca no tiene licencia.'],
        'cost' => ['Lo que costó un préstamo', 'Formato', 'Precios de licencias que empezaron en el año, y préstamos pagados uno a uno, por cada préstamo de su formato. Una licencia más larga cuenta en el año en que empezó.'],
        'hours' => ['Por día de la semana y hora', 'Día', 'Préstamos empezados, por el reloj de la biblioteca. Menos de cinco no se muestran.'],
    ],
];

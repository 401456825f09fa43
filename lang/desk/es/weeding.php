<?php

declare(strict_types=1);

return [
    'heading' => 'Expurgo',
    'text' => 'Títulos que nadie ha tomado prestados desde hace tiempo, primero los que más cuesta conservar. Nada se retira por sí solo: en la página de un título se finalizan sus licencias, y una licencia con fin se puede dejar terminar.',
    'not_lent' => 'Sin préstamos desde hace',
    'show' => 'Mostrar',
    'found' => '{1} :count título sin préstamos en :months meses|[0,*] :count títulos sin préstamos en :months meses',
    'none' => 'Todos los títulos que llevan aquí tanto tiempo se han prestado.',
    'never' => 'nunca',
    'columns' => ['title' => 'Título', 'copies' => 'Ejemplares', 'lent' => 'Prestado en total', 'last' => 'Último préstamo', 'since' => 'Aquí desde', 'ends' => 'Próximo fin', 'paid' => 'Pagado', 'yearly' => 'Cuesta al año'],
    'rests_text' => 'Contado anoche, para las licencias vivas de la biblioteca; lo prestado desde entonces no aparece. Una licencia con fin cuesta su precio repartido por el tiempo que dura; una sin fin no cuesta nada más.',
    'csv' => ['title_id' => 'Número del título', 'title' => 'Título', 'people' => 'Personas', 'format' => 'Formato', 'copies' => 'Ejemplares', 'lent' => 'Prestado en total', 'last' => 'Último préstamo', 'since' => 'Aquí desde', 'ends' => 'Próximo fin', 'paid' => 'Pagado', 'yearly' => 'Cuesta al año'],
];

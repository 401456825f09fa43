<?php

declare(strict_types=1);

return [
    'heading' => 'Finales y renovaciones',
    'text' => 'Licencias que terminan en el plazo de un año: para qué sirvió cada una, quién espera y qué daría otra igual.',
    'by_month' => 'Por mes',
    'all_year' => 'Todas las que terminan en un año',
    'none' => 'Ninguna licencia termina en el plazo de un año.',
    'none_in_month' => 'Ninguna licencia termina este mes.',
    'columns' => ['ends' => 'Termina', 'title' => 'Título y licencia', 'price' => 'Precio', 'lent' => 'Prestado', 'per_loan' => 'Cada préstamo hasta ahora', 'line' => 'En espera', 'again' => 'Otra igual'],
    'expected' => ':count préstamo|:count préstamos',
    'ordered' => 'pedida',
    'no_price' => 'sin precio conocido',
    'no_loans' => 'no más préstamos que sin ella',
    'renew' => 'Renovar',
    'rests' => 'En qué se basan estas cifras',
    'rests_text' => 'Los préstamos esperados se calculan con los que empezaron en los últimos 180 días y con quienes esperan ahora, por tanto tiempo como duró la licencia y al precio que tuvo. No se cuentan los que pueden dar las demás licencias que la biblioteca tiene del título.',
    'csv' => ['licence' => 'Licencia', 'title' => 'Título', 'people' => 'Personas', 'format' => 'Formato', 'model' => 'Modelo', 'copies' => 'Ejemplares', 'starts' => 'Empieza', 'ends' => 'Termina', 'price' => 'Precio', 'lent' => 'Prestado', 'per_loan' => 'Cada préstamo hasta ahora', 'line' => 'En espera', 'expected' => 'Préstamos que se esperan de otra igual', 'expected_per_loan' => 'Cada uno de estos'],
];

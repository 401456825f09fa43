<?php

declare(strict_types=1);

return [
    'heading' => 'Pago por préstamo',
    'text' => 'Títulos que se pagan préstamo a préstamo: lo que el mes puede costar, lo que ha costado y lo que costará.',
    'spent' => 'Gastado',
    'spent_of' => 'gastado de :budget',
    'expected' => 'se espera al final del mes',
    'between' => '8 de cada 10 veces entre :from y :to',
    'used_up' => 'El presupuesto está agotado.',
    'used_up_on' => 'El presupuesto dura hasta el :date, más o menos.',
    'used_up_text' => 'Después, estos títulos se prestan de nuevo el mes que viene, o cuando se suba el presupuesto.',
    'lasts' => 'El presupuesto dura todo el mes.',
    'no_cap' => 'Sin límite por persona.',
    'cap' => '{0} Nadie puede tener estos préstamos.|{1} Cada persona puede tener :count préstamo de estos al mes, donde otra regla no diga más.|[2,*] Cada persona puede tener :count préstamos de estos al mes, donde otra regla no diga más.',
    'months' => 'Mes a mes',
    'usual' => 'Cada mes sin presupuesto propio, en :currency',
    'budget_of' => 'Presupuesto de :month',
    'loans' => 'Préstamos',
    'dearest' => 'Por lo que más se pagó en el último año',
    'none' => 'En el último año no se pagó ningún préstamo.',
    'needs_budget' => 'Un presupuesto es una suma de dinero, por ejemplo 300 o 300,50, para este mes o uno de los tres siguientes.',
    'spent_more' => 'Es menos que :sum, que ya se han gastado. Escriba al menos esa suma.',
    'kept' => 'Presupuesto guardado.',
    'rests_text' => 'El ritmo es el de los últimos 28 días, o desde que hay una licencia así. Se supone que los préstamos llegan por azar a este ritmo, cada uno a un precio como los últimos; el intervalo acierta 8 de cada 10 veces si eso sigue. El presupuesto detiene los préstamos, así que no se espera más que él.',
];

<?php

declare(strict_types=1);

return [
    'nowhere' => 'Ya no está aquí',
    'on_paper' => 'En papel en :library',
    'more' => '{1} y en :count lugar más|[2,*] y en :count lugares más',
    'copies' => '{1} :count ejemplar|[2,*] :count ejemplares',
    'open_to' => [
        'everybody' => 'Sitio web, abierto a todos',
        'card' => 'Sitio web, para quienes tienen carné de :library',
        'building' => 'Sitio web, en el edificio de :library',
    ],
    'open' => 'Abrir el sitio web',
    'opens_elsewhere' => 'lleva a otro sitio web',
    'needs_card' => 'Se abre con un carné vigente de :library.',
    'building_text' => 'Se abre en los ordenadores y en la red de :library.',
    'did_not_answer' => 'No respondió cuando se comprobó por última vez, el :date.',
    'in' => 'en su sitio ahora',
    'in_of' => ':in de :of en su sitio ahora',
    'out_until' => 'prestado, vuelve el :date',
    'out' => 'prestado en este momento',
    'ask_there' => 'pregunte en la biblioteca si está',
];

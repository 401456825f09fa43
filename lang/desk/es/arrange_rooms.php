<?php

declare(strict_types=1);

return [
    'open' => 'Salas',
    'title' => 'Salas',
    'text' => 'Las partes de esta biblioteca, cada una para algunos lectores y con sus listas. Están en este orden dondequiera que se muestran salas.',
    'add' => 'Añadir una sala',
    'added' => 'La sala está hecha. Las listas se ponen en ella donde se hacen.',
    'kept' => 'La sala queda así.',
    'lists' => '{0} ninguna lista|{1} una lista|[2,*] :count listas',
    'name' => 'Nombre',
    'about' => 'Para quién es, en pocas palabras',
    'audience' => 'Todos los títulos para estos lectores',
    'audience_hint' => 'Se abren desde la sala, junto a sus listas.',
    'nobody' => 'ninguno: solo sus listas',
    'ages' => 'Edades entre las que se elige',
    'ages_hint' => 'Como 0-5, 6-8, 9-12; vacío: ninguna.',
    'keep' => 'Dejarla así',
    'remove' => 'Quitar esta sala',
    'remove_text' => 'Puede quitarse cuando no hay en ella ninguna lista. Los mensajes que están solo en ella no se muestran entonces.',
    'remove_yes' => 'Quitarla',
    'removed' => 'La sala está quitada.',
    'has_lists' => 'No se quitó nada: hay listas en esta sala. Póngalas antes en otra.',
    'last' => 'No se quitó nada: una biblioteca tiene al menos una sala.',
    'many' => 'No se añadió nada: hay :most salas, que es el máximo.',
    'needs_name' => 'Una sala necesita un nombre.',
    'needs_ages' => 'Escriba edades como 0-5, 6-8, 9-12, hasta :most grupos.',
];

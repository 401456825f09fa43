<?php

declare(strict_types=1);

return [
    'add' => 'Añadir un carné',
    'add_text' => 'De otra biblioteca. Entre con él una vez más y ambos serán suyos aquí: sus títulos, préstamos y reservas estarán juntos.',
    'name' => 'Un nombre propio',
    'rename' => 'Ponerle nombre',
    'put_first' => 'Poner primero',
    'is_first' => 'primero',
    'remove' => 'Separar',
    'removed' => 'Ese carné vuelve a estar solo. Entre con él para ver lo que se tomó prestado con él.',
    'not_removed' => 'No se pudo separar. Devuelva antes lo que está en préstamo con ese carné y cancele sus reservas; el único carné se queda.',
    'outcomes' => [
        'added' => 'Su carné de :library también está aquí.',
        'own_already' => 'Ese carné ya está aquí.',
        'same_library' => 'Ya tiene aquí un carné de :library. Pida a la biblioteca que haga uno de los dos.',
        'with_others' => 'Ese carné ya está junto con otros. Entre con él, sepárelo allí y añádalo aquí.',
        'changed' => 'Algo cambió mientras entraba. Inténtelo de nuevo.',
    ],
    'ends_soon' => 'Su carné de :library vence :date. Renuévelo en la biblioteca, :contact.',
    'ended' => 'Su carné de :library venció el :date, así que no se puede tomar nada prestado con él. Renuévelo en la biblioteca, :contact.',
    'blocked' => 'Su carné de :library está bloqueado, así que no se puede tomar nada prestado con él. Pregunte a :contact.',
    'blocked_why' => 'Su carné de :library está bloqueado, así que no se puede tomar nada prestado con él. La biblioteca dice: «:why» Pregunte a :contact.',
    'erase' => 'Borrarme',
    'erase_text' => 'Lo que está en préstamo se devuelve y lo que espera se cancela, al momento. Se borran sus marcas, notas, cestas, búsquedas guardadas, historial, cartas y elecciones, y también estos carnés aquí. Nadie puede recuperarlo.',
    'erase_keeps' => 'Lo que la biblioteca debe guardar no lleva ningún nombre: cuántas veces se prestaron y esperaron los títulos. La biblioteca puede conocerle en su propio sistema; pregunte allí.',
    'take_first' => 'Llévese antes sus datos',
    'word' => 'BORRAR',
    'type_word' => 'Escriba :word para seguir',
    'word_needed' => 'No se borró nada: escriba :word, tal como está.',
    'erase_now' => 'Borrar todo',
    'erased' => 'Está borrado. Aquí ya nada le conoce.',
];

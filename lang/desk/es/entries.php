<?php

declare(strict_types=1);

return [
    'title' => 'Personas, series, materias',
    'text' => 'Lo que nombran los registros, cada cosa como una entrada propia. La que está mal escrita recibe otro nombre en todos sus títulos a la vez; dos que son la misma se unen. Los registros que lleguen después con el nombre antiguo se entienden.',
    'kinds' => ['person' => 'Personas', 'series' => 'Series', 'subject' => 'Materias'],
    'find' => 'Palabras del nombre',
    'none' => 'Ningún registro nombra eso. Mire las palabras de nuevo o elija otra clase.',
    'forms' => 'También:',
    'more' => '{1} y uno más|[2,*] y :count más',
    'rename' => 'Otro nombre',
    'name' => 'Nombre',
    'sort_name' => 'Se ordena como',
    'sort_hint' => 'Primero el apellido.',
    'merge' => 'La misma que otra',
    'into' => 'Nombre de la que queda',
    'merge_text' => 'Sus títulos pasan a la otra, y este nombre es desde entonces una forma de aquel.',
    'of_others' => '{1} Uno de sus títulos es solo de otra biblioteca, así que el nombre no es suyo para cambiarlo. Pregunte allí.|[2,*] :count de sus títulos son solo de otras bibliotecas, así que el nombre no es suyo para cambiarlo. Pregunte allí.',
    'needs_name' => 'No se cambió nada: escriba un nombre de hasta 255 letras.',
    'same_name' => 'No se cambió nada: ya se llama así.',
    'name_taken' => 'Otra entrada se llama «:name». Si son la misma, únalas.',
    'needs_other' => 'No se cambió nada: ninguna otra entrada de esta clase se llama así. Escríbalo como está en la lista.',
];

<?php

declare(strict_types=1);

return [
    'heading' => 'Imprimir páginas',
    'heading_mail' => 'Imprimir o enviar páginas',
    'of' => 'de «:name»',
    'allowed_all' => 'Este préstamo puede imprimir y copiar cuantas páginas quiera.',
    'allowed' => '{0} A este préstamo no le quedan páginas para imprimir o copiar.|{1} Este préstamo aún puede imprimir o copiar :left página. Lo que se tomó una vez no se cuenta de nuevo.|[2,*] Este préstamo aún puede imprimir o copiar :left páginas. Lo que se tomó una vez no se cuenta de nuevo.',
    'from' => 'De la página',
    'to' => 'A la página',
    'range' => 'El libro tiene las páginas :first a :last.',
    'show' => 'Mostrar para imprimir',
    'as_pdf' => 'Guardar en PDF',
    'mail_after' => 'Una vez mostradas, también se le pueden enviar por correo o guardar en su carpeta.',
    'or_chapter' => 'O un capítulo entero',
    'chapter' => 'Capítulo',
    'chapter_pages' => ':count página|:count páginas',
    'back' => 'Volver al libro',
    'print' => 'Imprimir',
    'pages_shown' => '{1} Página :first|[2,*] Páginas :first a :last',
    'which' => 'Diga de qué página a cuál.',
    'other_way' => 'La última página está antes que la primera. Cámbielas.',
    'no_such' => 'No hay página «:page». Este libro tiene las páginas :first a :last.',
    'too_many' => '{0} A este préstamo no le quedan páginas para imprimir o copiar.|{1} Son :asked páginas más, y a este préstamo le queda :left. Elija menos.|[2,*] Son :asked páginas más, y a este préstamo le quedan :left. Elija menos.',
    'at_a_time' => 'De este título se muestran hasta :count páginas a la vez. Tómelas por partes; cada una se cuenta una vez.',
    'copied' => 'Copiado.',
    'copied_left' => '{0} Copiado. A este préstamo no le quedan páginas para imprimir o copiar.|{1} Copiado. Este préstamo puede imprimir o copiar :left página más.|[2,*] Copiado. Este préstamo puede imprimir o copiar :left páginas más.',
    'copy_price' => '{0} Copiar toma :price de :left páginas que quedan.|{1} Copiar toma :price de la página que queda.|[2,*] Copiar toma :price de :left páginas que quedan.',
    'copy_free' => 'Ya copiado: copiar no toma nada más.',
    'no_pdf' => 'La licencia de este título no permite páginas en PDF. Se pueden imprimir.',
    'other_script' => 'Estas páginas están en una escritura que aquí no se puede pasar a PDF. Muéstrelas para imprimirlas.',
];

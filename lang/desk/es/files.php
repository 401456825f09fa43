<?php

declare(strict_types=1);

return [
    'title' => 'Títulos desde archivos',
    'text' => 'Archivos EPUB y PDF, y paquetes W3C de audiolibros, música y vídeo. Cada uno será un título con su registro, su cubierta y un extracto; un archivo más nuevo de la misma edición sustituye al anterior, y quien lo tiene en préstamo sigue leyendo.',
    'send' => 'Enviar archivos',
    'choose' => 'Archivos',
    'choose_hint' => 'Varios a la vez, si quiere. Si la conexión se corta, se espera.',
    'licence' => 'Licencia de cada uno',
    'licence_hint' => 'Sin ella no se puede prestar nada. Para otros modelos, añádala en el título.',
    'kinds' => ['none' => 'Aún ninguna', 'one_copy_one_user' => 'Una copia / un usuario', 'simultaneous' => 'Simultánea, sin fin'],
    'price' => 'Precio de cada uno',
    'needs_price' => 'Diga cuánto costó cada uno, por ejemplo 24,50; un regalo cuesta 0.',
    'audience' => 'Para quién, si el archivo no lo dice',
    'any_audience' => 'Como diga su registro',
    'waits' => 'No hay conexión; sigue sola cuando vuelva.',
    'sent' => 'Ya está aquí.',
    'failed' => 'No se aceptó. Cargue la página y envíelo otra vez.',
    'needs_script' => 'Para enviar archivos hace falta JavaScript. Quien lleva la máquina puede importarlos con catalogue:import.',
    'wrong_size' => 'Un archivo tiene nombre, contenido y :most GB como mucho.',
    'no_room' => 'El disco de esta máquina está casi lleno. Pida espacio a quien la lleva y envíe el archivo otra vez.',
    'nothing_sent' => 'No ha llegado ningún archivo. Elija uno o más y envíelos.',
    'being_taken_in' => '{1} El archivo se está importando. Puede cerrar esta página.|[2,*] Los :count archivos se están importando. Puede cerrar esta página.',
    'at_work' => '{1} Aún se importa un archivo.|[2,*] Aún se importan :count archivos.',
    'nothing_yet' => 'Aún no se ha enviado ningún archivo.',
    'file' => 'Archivo',
    'outcome' => 'Qué fue de él',
    'when' => 'Enviado',
    'states' => ['waiting' => 'espera', 'at_work' => 'se está importando', 'taken_in' => 'Importado', 'known' => 'Ya conocido', 'refused' => 'Rechazado'],
    'put_away' => 'Retirar',
    'no_licence' => 'Sin licencia: añada una y podrá prestarse.',
];

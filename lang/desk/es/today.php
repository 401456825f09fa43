<?php

declare(strict_types=1);

return [
    'nothing' => 'No hay nada que hacer a mano. Lo que esperan los lectores llega solo.',
    'no_titles' => 'Esta biblioteca aún no tiene títulos. Vienen de archivos, cada uno con su licencia, o sin ella hasta que la añada.',
    'well' => 'La máquina está bien: el correo, el reloj de los préstamos y el disco.',
    'machine' => 'Algo va mal en la máquina',
    'ask' => 'Avise a quien la lleva; allí dice más:',
    'wrong' => [
        'disk' => 'El disco está casi lleno.',
        'database' => 'La base de datos no responde.',
        'scheduler' => 'El reloj que acaba préstamos y mueve colas está parado.',
        'queue' => 'El correo y otros trabajos de fondo van con retraso.',
        'migrations' => 'La base de datos no está como la necesita esta versión.',
    ],
    'todo' => [
        'mail_unsure' => ['{1} correo del que no se sabe si salió|[0,*] correos de los que no se sabe si salieron', 'Los avisos están igualmente en la aplicación.'],
        'failed_jobs' => ['{1} trabajo de fondo que falló cada vez|[0,*] trabajos de fondo que fallaron cada vez', 'Quien lleva la máquina los ve con queue:failed.'],
        'machine' => ['{1} cosa que va mal en la máquina|[0,*] cosas que van mal en la máquina', 'Véase abajo.'],
        'no_copy' => ['{1} título que se espera, sin copias|[0,*] títulos que se esperan, sin copias', 'Consiga otra copia, o avise a quienes esperan.'],
        'pressed' => ['{1} título con una cola larga|[0,*] títulos con una cola larga', 'Vea qué harían más copias.'],
        'ending' => ['{1} título con una licencia que acaba pronto|[0,*] títulos con una licencia que acaba pronto', 'Renuévela, o deje que acabe.'],
        'few_loans' => ['{1} título con pocos préstamos|[0,*] títulos con pocos préstamos', 'Consiga más antes de que se acaben.'],
        'funds' => ['{1} fondo casi gastado o por encima de su presupuesto|[0,*] fondos casi gastados o por encima de su presupuesto', 'Vea lo que queda y lo que está en camino.'],
        'orders' => ['{1} licencia por pedir|[0,*] licencias por pedir', 'Envíelas al proveedor.'],
        'paid' => ['{1} presupuesto de pago por préstamo que no dura el mes|[0,*] presupuestos que no duran el mes', 'Súbalo, o deje descansar estos títulos hasta el mes que viene.'],
        'requests' => ['{1} petición de un lector|[0,*] peticiones de lectores', 'Consiga el título, o diga por qué no.'],
        'letters' => ['{1} carta por responder|[0,*] cartas por responder', 'Primero quienes llevan más tiempo esperando.'],
        'held_back' => ['{1} lectura del catálogo del proveedor retenida|[0,*] lecturas del catálogo del proveedor retenidas', 'Falta más de un tercio. Mírela, y acéptela o no.'],
        'files_refused' => ['{1} archivo que no se importó|[0,*] archivos que no se importaron', 'Vea por qué, y retírelo.'],
        'links_dead' => ['{1} sitio web que ya no está|[0,*] sitios web que ya no están', 'Ponga la dirección nueva, o quítelo.'],
        'records_waiting' => ['{1} archivo de registros aún sin importar|[0,*] archivos de registros aún sin importar', 'Impórtelo, o descártelo.'],
        'cards_waiting' => ['{1} archivo de lectores aún sin importar|[0,*] archivos de lectores aún sin importar', 'Impórtelo, o déjelo.'],
        'pins_waiting' => ['{1} archivo de lectores cuyos PIN no se han recogido|[0,*] archivos de lectores cuyos PIN no se han recogido', 'Se guardan 7 días.'],
        'cards_ending' => ['{1} carné caduca en 30 días|[0,*] carnés caducan en 30 días', 'Renueve los de quienes siguen.'],
        'invitations' => ['{1} invitación que nadie usó|[0,*] invitaciones que nadie usó', 'Envíela otra vez, o retírela.'],
    ],
];

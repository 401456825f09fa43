<?php

declare(strict_types=1);

return [
    'heading' => 'En este dispositivo',
    'intro' => 'Estos préstamos se abren aquí sin conexión. Se van de este dispositivo cuando el préstamo termina, cuando se devuelve y cuando usted cierra la sesión.',
    'nothing' => 'No hay nada en este dispositivo. En Préstamos, «Llevar sin conexión» pone uno aquí.',
    'no_network' => 'Ahora no hay conexión.',
    'no_scripts' => 'Esta página necesita scripts y un navegador que pueda guardar archivos.',
    'data_saver' => 'Ahorro de datos',
    'data_saver_text' => 'En este dispositivo no se guarda nada ni se reproduce sonido o vídeo por una conexión que cuesta, si usted no lo permite en el momento.',
    'not_allowed' => 'La licencia de este título no permite llevarlo sin conexión.',
    'texts' => [
        'take' => 'Llevar sin conexión · :size',
        'taking' => 'Guardando: :here de :size',
        'pause' => 'Pausa',
        'go_on' => 'Continuar · :here de :size',
        'here' => 'En este dispositivo',
        'remove' => 'Quitar de este dispositivo',
        'until' => 'hasta el :date',
        'ended' => 'El préstamo ha terminado y ya no está en este dispositivo.',
        'dismiss' => 'Entendido',
        'stopped' => 'No hay conexión. Seguirá desde aquí cuando la haya.',
        'no_room' => 'No hay bastante sitio en este dispositivo. Quite algo y continúe.',
        'refused' => 'No se ha podido guardar. Cargue la página de nuevo y pruebe otra vez.',
        'costs' => 'El ahorro de datos está activo y esta conexión cuesta.',
        'anyway' => 'Hacerlo de todos modos',
        'room' => ':used en este dispositivo; quedan unos :free.',
        'incomplete' => 'incompleto: continúe en Préstamos',
        'open' => 'Abrir',
    ],
    'keep_card' => 'Guardarlo en este dispositivo',
    'forget_card' => 'No guardarlo más aquí',
    'card_kept' => 'Se puede mostrar aquí sin red, en «En este dispositivo».',
    'card_gone' => 'Ya no se guarda aquí.',
    'card_failed' => 'No se pudo guardar aquí. Compruebe la conexión e inténtelo de nuevo.',
    'cards' => 'Mis carnés',
];

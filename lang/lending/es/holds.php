<?php

declare(strict_types=1);

return [
    'hold_placed' => 'Está en la cola para «:name». Le avisaremos aquí y por correo cuando esté listo.',
    'hold_cancelled' => 'La reserva de «:name» está cancelada.',
    'in_line' => ':place en la cola',
    'no_date' => 'No puede darse fecha: no quedará ningún ejemplar cuando llegue su turno, salvo que la biblioteca compre más.',
    'on_order' => 'pedido: se le guardará por turno cuando llegue su archivo',
    'paused_until' => 'En pausa hasta el :date. Conserva su turno.',
    'no_holds' => 'No espera nada.',
    'no_holds_text' => 'Cuando todos los ejemplares estén prestados, haga una reserva: le avisaremos cuando uno sea suyo.',
    'pause' => 'Pausar',
    'pause_until' => 'Pausar hasta',
    'resume' => 'Reanudar',
    'hold_paused' => 'En pausa hasta el :date. «:name» conserva su turno.',
    'hold_resumed' => '«:name» recupera su turno.',
    'hold_not_paused' => '«:name» no se puede aplazar otra vez: ya se guardaron ejemplares bastante tiempo. Tómelo prestado o cancele la reserva.',
    'bad_date' => 'Elija una fecha entre mañana y dentro de un año.',
    'at_once_on' => 'Se tomará prestado por usted cuando llegue un ejemplar',
    'paused_all' => 'En pausa. Cada reserva conserva su turno.',
    'dates_held' => 'Las fechas probables acertaron :held de las últimas 100 veces en :library. Se busca que sean 80.',
];

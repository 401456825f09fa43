<?php

declare(strict_types=1);

return [
    'hold_ready' => ['subject' => '«:name» está listo para usted', 'body' => 'El ejemplar de «:name» que esperaba está guardado para usted hasta: :kept_until. Tómelo prestado antes desde su Porche; después pasa al siguiente.'],
    'hold_missed' => ['subject' => '«:name» ha pasado al siguiente', 'body' => 'El ejemplar de «:name» guardado para usted no se recogió a tiempo. Su reserva queda en pausa 7 días y luego recupera su turno. Si se pierde otra vez, se cierra.'],
    'hold_lapsed' => ['subject' => 'Su reserva de «:name» se ha cerrado', 'body' => 'Se guardó dos veces un ejemplar de «:name» y no se recogió. La reserva está cerrada. Puede hacer otra cuando quiera.'],
    'loan_ended' => ['subject' => 'Su préstamo de «:name» ha terminado', 'body' => 'El préstamo de «:name» llegó a su vencimiento y se devolvió por usted. Si no había terminado, puede tomarlo prestado o reservarlo otra vez.'],
];

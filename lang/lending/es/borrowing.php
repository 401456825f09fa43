<?php

declare(strict_types=1);

return [
    'place_hold' => 'Reservar',
    'keep_for' => 'Tenerlo',
    'due_back' => 'hasta: :date',
    'leaves' => 'Con este son :after de :limit préstamos.',
    'above_card' => 'Para lectores mayores que este carné',
    'borrowed' => '«:name» está prestado a su nombre.',
    'already_on_loan' => 'Ya lo tiene prestado.',
    'on_loan_until' => 'Prestado a su nombre hasta: :date',
    'ready_until' => 'Listo para usted, guardado hasta: :date',
    'no_card_here' => 'No tiene carné en :library. Elija su biblioteca arriba junto a la búsqueda o pida un carné: :contact.',
    'at_once' => 'Tomarlo prestado por mí',
    'at_once_text' => 'cuando llegue un ejemplar, si no he llegado a mi límite',
    'which_card' => 'Carné',
    'at_limit' => 'Tiene :limit en préstamo, el máximo de su carné',
    'return_one' => 'Devolver uno para llevarlo',
    'short_look' => '{1}Por una hora|[2,*]Por :count horas',
    'limit_heading' => 'Ha llegado a su límite',
    'limit_go_on' => 'Devolverlo y tomar este',
    'asked_for' => 'Pedido',
];

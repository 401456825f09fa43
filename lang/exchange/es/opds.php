<?php

declare(strict_types=1);

return [
    'all' => 'Todos los títulos',
    'apps' => 'En una aplicación de lectura',
    'apps_text' => 'Una aplicación que conozca OPDS muestra el catálogo, toma prestado y descarga. Añada en ella esta dirección y entre con el número de carné y el PIN.',
    'apps_desk' => 'El lector añade esta dirección a una aplicación que conozca OPDS y entra con el número de carné y el PIN. Allí busca, toma prestado, reserva, renueva, devuelve y descarga lo que permiten las licencias. También está en sus Ajustes.',
    'apps_older' => 'Si la aplicación no conoce OPDS 2, ponga un 1 en lugar del 2.',
    'availability' => 'Disponibilidad',
    'being_made' => 'Se está preparando el archivo. Pídalo de nuevo dentro de unos segundos.',
    'borrow' => 'Tomar prestado',
    'cancel' => 'Cancelar la reserva',
    'failed' => 'No ha sido posible. No se ha cambiado nada; inténtelo de nuevo dentro de un rato.',
    'found' => 'Resultados: :words',
    'hold' => 'Reservar',
    'holds' => 'Mis reservas',
    'in_browser' => 'Abrir en el navegador',
    'loan_over' => 'Este préstamo ha terminado. Tome prestado el título de nuevo.',
    'loans' => 'Mis préstamos',
    'no_library' => 'Aquí no hay ninguna biblioteca con ese nombre. La dirección de su catálogo está en Ajustes.',
    'no_numbers' => 'En :library no se entra con número y PIN, así que aquí no se puede tomar prestado. Todo se puede mirar. Pregunte a :contact.',
    'nothing_here' => 'No hay nada en esta dirección. Empiece por la portada del catálogo.',
    'other_way' => 'Entre con el número de carné y el PIN (Basic), o con un testigo obtenido con ellos (Bearer).',
    'renew' => 'Renovar',
    'return' => 'Devolver',
    'rooms' => 'Salas',
    'search' => 'Buscar en el catálogo',
    'series' => 'Series',
    'sign_in' => 'Escriba el número y el PIN de su carné de :library. Si no tiene PIN, pregunte a :contact.',
    'subjects' => 'Materias',
    'token_over' => 'La sesión ha terminado. Entre de nuevo con el número de carné y el PIN.',
];

<?php

declare(strict_types=1);

return [
    'sign_in' => 'Entrar en el mostrador',
    'sign_in_text' => 'Para quienes trabajan en una biblioteca. Los usuarios entran con su carné.',
    'patron_sign_in' => 'Entrar con un carné de biblioteca',
    'no_match' => 'La dirección de correo y la contraseña no coinciden. Inténtelo otra vez, o pida una contraseña nueva a quien cuida del sistema en su biblioteca.',
    'demo_staff' => 'En la demostración trabajan aquí',
];

<?php

declare(strict_types=1);

return [
    'heading' => 'Archivos protegidos',
    'text' => 'Algunos títulos se pueden llevar a una aplicación de lectura como archivos protegidos. Allí se abren con su frase de paso y terminan con el préstamo.',
    'is' => 'Su frase de paso se puso el :date. Su pista: «:hint»',
    'passphrase' => 'Frase de paso',
    'passphrase_hint' => 'Ocho caracteres o más: lo mejor son tres o cuatro palabras que no vayan juntas. No su PIN. Solo guardamos lo que se hace de ella, así que nadie podrá volver a decírsela.',
    'hint' => 'Pista',
    'hint_hint' => 'La aplicación la muestra donde pide la frase de paso. Quien tenga el archivo puede leerla.',
    'set' => 'Poner la frase de paso',
    'change' => 'Poner otra',
    'change_text' => 'Los archivos de los préstamos que ha tenido hasta ahora se siguen abriendo con la frase con que se hicieron.',
    'kept' => 'Su frase de paso está puesta. Los archivos protegidos que descargue desde ahora se abren con ella.',
    'changed' => 'Su frase de paso es otra ahora. Los archivos de los préstamos que ha tenido hasta ahora se abren con la anterior.',
    'set_first' => 'Ponga primero una frase de paso: el archivo se abre con ella.',
    'needs' => [
        'passphrase' => 'Una frase de paso tiene de 8 a 100 caracteres, sin espacio antes ni después.',
        'hint' => 'Diga una pista de hasta 200 caracteres.',
        'told' => 'La pista dice la propia frase de paso. Elija palabras que solo usted entienda.',
    ],
    'apps_set_first' => 'Este título viene como archivo protegido. Ponga primero una frase de paso: en un navegador, en Ajustes, en :address.',
    'loan_hint' => 'Se abre en una aplicación de lectura con su frase de paso («:hint») y termina con el préstamo.',
    'loan_text' => 'Se abre en una aplicación de lectura con su frase de paso y termina con el préstamo.',
    'loan_devices' => '{1} Abierto en :count dispositivo.|[2,*] Abierto en :count dispositivos.',
    'open_text' => 'Nada termina estos archivos salvo su promesa de borrarlos con el préstamo.',
    'status' => [
        'ready' => 'En préstamo hasta el :date.',
        'active' => 'En préstamo hasta el :date.',
        'returned' => 'Devuelto el :date. Tome prestado de nuevo el título para continuar.',
        'cancelled' => 'Devuelto el :date. Tome prestado de nuevo el título para abrirlo.',
        'expired' => 'El préstamo terminó el :date. Tome prestado de nuevo el título para continuar.',
    ],
    'no_device' => 'Diga por qué se conoce el dispositivo (id) y cómo se llama (name), en 255 caracteres como máximo cada uno.',
    'over' => 'El préstamo ha terminado. Tome prestado de nuevo el título en su biblioteca.',
    'devices_enough' => 'El archivo ya se abrió en :most dispositivos. Lea en uno de ellos o en el navegador.',
    'renew_date' => 'El préstamo no se puede renovar hasta ese día. Pida sin día y se renovará lo que renueva su biblioteca.',
];

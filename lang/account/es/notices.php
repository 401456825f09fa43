<?php

declare(strict_types=1);

return [
    'hold_ready' => ['subject' => '«:name» está listo para usted', 'body' => 'El ejemplar de «:name» que esperaba está guardado para usted hasta: :kept_until. Tómelo prestado antes desde su Porche; después pasa al siguiente.'],
    'hold_borrowed' => ['subject' => '«:name» está en préstamo a su nombre', 'body' => 'Quedó libre un ejemplar de «:name» y se tomó prestado para usted, como pidió al reservar. Vence: :due. Devuélvalo antes si no es buen momento.'],
    'hold_lapsing' => ['subject' => '«:name» queda guardado un día más', 'body' => 'El ejemplar de «:name» pasa al siguiente: :kept_until. Tómelo prestado antes, o diga «ahora no» en Reservas para conservar su turno.'],
    'hold_set_back' => ['subject' => '«:name» ya no está listo', 'body' => 'La licencia del ejemplar de «:name» guardado para usted terminó o cambió. Conserva su turno.'],
    'loan_due_soon' => ['subject' => '«:name» vence en 3 días', 'body' => 'Su préstamo de «:name» termina: :due. Desde ahora se puede renovar, si nadie lo espera.'],
    'loan_due_tomorrow' => ['subject' => '«:name» vence mañana', 'body' => 'Su préstamo de «:name» termina: :due. Entonces se devuelve por usted. No hay multas.'],
    'licence_ending' => ['subject' => 'La licencia de «:name» termina pronto', 'body' => 'La última licencia de la biblioteca para «:name», que tiene reservado, termina: :ends. Quizá no llegue su turno antes. La reserva queda abierta por si la biblioteca compra otra.'],
    'licence_gone' => ['subject' => '«:name» ya no se puede prestar', 'body' => 'La última licencia de la biblioteca para «:name» terminó antes de su turno. La reserva queda abierta por si compra otra; puede cancelarla en Reservas.'],
    'hold_missed' => ['subject' => '«:name» ha pasado al siguiente', 'body' => 'El ejemplar de «:name» guardado para usted no se recogió a tiempo. Su reserva queda en pausa 7 días y luego recupera su turno. Si se pierde otra vez, se cierra.'],
    'hold_lapsed' => ['subject' => 'Su reserva de «:name» se ha cerrado', 'body' => 'Se guardó dos veces un ejemplar de «:name» y no se recogió. La reserva está cerrada. Puede hacer otra cuando quiera.'],
    'loan_ended' => ['subject' => 'Su préstamo de «:name» ha terminado', 'body' => 'El préstamo de «:name» llegó a su vencimiento y se devolvió por usted. Si no había terminado, puede tomarlo prestado o reservarlo otra vez.'],
    'request_answered' => [
        'here_subject' => '«:name» ha llegado', 'here_body' => ':library ya tiene «:name», que usted pidió. Tómelo prestado o haga una reserva si otros se han adelantado.',
        'here_in_line_subject' => '«:name» ha llegado y está usted en la cola', 'here_in_line_body' => ':library ya tiene «:name», que usted pidió. Está en la cola, por el orden en que se pidió, y se le avisará cuando un ejemplar sea suyo.',
        'coming_subject' => '«:name» está en camino', 'coming_body' => ':library ha conseguido «:name», que usted pidió. Podrá tomarse prestado desde :begins.',
        'coming_in_line_subject' => '«:name» está en camino y está usted en la cola', 'coming_in_line_body' => ':library ha conseguido «:name», que usted pidió. Podrá tomarse prestado desde :begins; está en la cola, por el orden en que se pidió, y se le avisará cuando un ejemplar sea suyo.',
        'declined_subject' => '«:name» no se conseguirá por ahora', 'declined_body' => ':library ha decidido sobre «:name», que usted pidió. :answer',
    ],
    'issue_here' => [
        'told_subject' => '«:name»: ha llegado :issue', 'told_body' => ':library ya tiene :issue de «:name», que usted sigue.',
        'borrowed_subject' => '«:name»: :issue está en préstamo a su nombre', 'borrowed_body' => ':issue de «:name» ha llegado a :library y se ha tomado prestado para usted, como eligió al seguirla. Vence el :due.',
        'not_borrowed_subject' => '«:name»: ha llegado :issue', 'not_borrowed_body' => ':library ya tiene :issue de «:name». No se ha podido tomar prestado ahora para usted; su página dice por qué y qué se puede hacer.',
    ],
    'search_found' => ['subject' => '{1} Algo nuevo para «:name»|[2,*] :count títulos nuevos para «:name»', 'body' => '{1} :library ya tiene «:first», que encaja con su búsqueda guardada «:name».|[2,*] :library tiene :count títulos más que encajan con su búsqueda guardada «:name», entre ellos «:first».'],
    'forgotten' => ['subject' => 'Un préstamo o una reserva que ya terminó', 'body' => 'Se ha olvidado, porque usted no guarda un historial: aquí ya no se sabe qué título era.'],
    'library_message' => ['subject' => ':name', 'body' => ":text\n\n:library"],
    'letter_answered' => ['subject' => ':library le ha respondido', 'body' => ":text\n\nAquí está la carta entera, con sitio para responder."],
    'pin_changed' => ['subject' => 'Su PIN se cambió', 'body' => 'El PIN del carné que termina en :ending se acaba de cambiar. Si no fue usted, pida enseguida otro a su biblioteca.'],
    'wrong_pins' => ['subject' => 'PIN erróneos para su carné', 'body' => 'Alguien ha probado :tries PIN erróneos con el carné que termina en :ending en un cuarto de hora. Nadie entró, y usted puede entrar como siempre. Si no fue usted, pida otro PIN a su biblioteca.'],
];

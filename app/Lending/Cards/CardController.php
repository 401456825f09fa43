<?php

declare(strict_types=1);

namespace App\Lending\Cards;

use App\Models\Card;
use FigPorch\Core\Lending\Symbology;
use Illuminate\View\View;

/** A patron's card as it is shown at the library's desk. */
final class CardController
{
    public function __invoke(Card $card): View
    {
        $symbology = Symbology::from($card->library->symbology)->for($card->number);

        return view('lending.cards.card', [
            'card' => $card->load(['library', 'person']),
            'symbology' => $symbology,
            'text' => $symbology->text($card->number),
        ]);
    }
}

<?php

declare(strict_types=1);

namespace App\Lending\OwnCards;

/** What became of a card that somebody wanted to add to theirs; each has its words in own_cards.outcomes. */
enum AddedCard: string
{
    case Added = 'added';
    case OwnAlready = 'own_already';
    case SameLibrary = 'same_library';
    case WithOthers = 'with_others';
    case Changed = 'changed';
}

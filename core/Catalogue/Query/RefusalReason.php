<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

/** Why a query could not be read as typed. */
enum RefusalReason: string
{
    case QuoteNotClosed = 'quote_not_closed';
    case BracketNotClosed = 'bracket_not_closed';
    case BracketNotOpened = 'bracket_not_opened';
    case NothingBesideOr = 'nothing_beside_or';
    case NothingAfterNot = 'nothing_after_not';
    case NotANumber = 'not_a_number';
    case NotAValue = 'not_a_value';
    case TooDeep = 'too_deep';
    case TooManyWords = 'too_many_words';
}

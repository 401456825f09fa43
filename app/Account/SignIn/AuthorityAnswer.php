<?php

declare(strict_types=1);

namespace App\Account\SignIn;

/** What a library's own system says of a number and a PIN. */
enum AuthorityAnswer
{
    /** There is none: the library's cards are ours. */
    case Nobody;
    /** The card is here as it says, with this PIN. */
    case Fits;
    case Wrong;
    /** It does not answer, or nothing that can be understood. */
    case Silent;
}

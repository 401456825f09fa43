<?php

declare(strict_types=1);

namespace App\Exchange\Packages;

/** Why a loan is not to be had as a file. */
enum NotGiven
{
    case NoSuchFile;

    /** Its licence does not say so. */
    case NotAllowed;

    /** It would be protected, and whoever has it has set no passphrase. */
    case NoPassphrase;
}

<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

/** Whether those who borrow may have a title's files on a device of their own. */
enum DownloadRight: string
{
    case None = 'none';

    /** Encrypted: they open with the person's passphrase, until the loan ends. */
    case Protected = 'protected';

    /** As they are: nothing but the person's promise ends them. */
    case Open = 'open';
}

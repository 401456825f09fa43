<?php

declare(strict_types=1);

namespace App\Lending\Loans;

use RuntimeException;

/** Rolls a transaction back: the copy that a return freed has gone to someone else. */
final class CopyGone extends RuntimeException {}

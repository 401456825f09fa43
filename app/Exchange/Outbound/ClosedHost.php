<?php

declare(strict_types=1);

namespace App\Exchange\Outbound;

use RuntimeException;

/** A host that is not asked, or cannot be found. */
final class ClosedHost extends RuntimeException {}

<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Opds;

use RuntimeException;

/** What came is no OPDS 2.0 feed. */
final class UnreadableFeed extends RuntimeException {}

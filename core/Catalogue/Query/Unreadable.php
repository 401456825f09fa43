<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

use RuntimeException;

/** Brackets or quotes that do not close, an operator without its words; never leaves the parser. */
final class Unreadable extends RuntimeException {}

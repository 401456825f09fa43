<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Sip2;

use RuntimeException;

/** What came is no answer to what was asked. */
final class UnreadableSip2 extends RuntimeException {}

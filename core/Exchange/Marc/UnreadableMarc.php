<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Marc;

use RuntimeException;

/** What came is no MARC record, or none of something that is lent here. */
final class UnreadableMarc extends RuntimeException {}

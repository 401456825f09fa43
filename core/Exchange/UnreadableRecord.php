<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange;

use RuntimeException;

/** What came is no record, no file of records, or a record of something that is not lent here. */
final class UnreadableRecord extends RuntimeException {}

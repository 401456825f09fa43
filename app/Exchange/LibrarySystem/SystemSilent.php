<?php

declare(strict_types=1);

namespace App\Exchange\LibrarySystem;

use RuntimeException;

/** A library's own system does not answer, or nothing that can be understood. */
final class SystemSilent extends RuntimeException {}

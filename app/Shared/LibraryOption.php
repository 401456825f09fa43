<?php

declare(strict_types=1);

namespace App\Shared;

use App\Models\Library;

/** For commands with --library=: the one that it names; where it names none, those that there are are said. */
trait LibraryOption
{
    private function library(): ?Library
    {
        $library = Library::query()->where('slug', (string) $this->option('library'))->first();
        $library === null &&
            $this->error(
                'Say which library with --library=. There are: ' .
                    Library::query()->orderBy('slug')->pluck('slug')->implode(', ') .
                    '.',
            );

        return $library;
    }
}

<?php

declare(strict_types=1);

namespace App\Shared\View;

/** An address that no route knows: said in the language, and under the header, of who asks. */
final class NoSuchPage
{
    public function __invoke(): never
    {
        abort(404);
    }
}

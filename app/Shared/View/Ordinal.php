<?php

declare(strict_types=1);

namespace App\Shared\View;

use NumberFormatter;

/** "4th", "4.º" */
final class Ordinal
{
    public static function of(int $number): string
    {
        return (string) (new NumberFormatter(app()->getLocale(), NumberFormatter::ORDINAL))->format($number);
    }
}

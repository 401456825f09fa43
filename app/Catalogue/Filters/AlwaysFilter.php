<?php

declare(strict_types=1);

namespace App\Catalogue\Filters;

use App\Catalogue\Search\HeldTitles;

final readonly class AlwaysFilter extends FlagFilter
{
    public static function name(): string
    {
        return 'always';
    }

    public static function bit(): int
    {
        return HeldTitles::ALWAYS;
    }

    public function isOfferedAnyway(): bool
    {
        return false;
    }

    public function heading(): string
    {
        return __('search.always_ready');
    }
}

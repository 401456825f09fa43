<?php

declare(strict_types=1);

namespace App\Catalogue\Filters;

use App\Catalogue\Search\HeldTitles;

final readonly class ReadyFilter extends FlagFilter
{
    public static function name(): string
    {
        return 'ready';
    }

    public static function bit(): int
    {
        return HeldTitles::READY;
    }

    public function isOfferedAnyway(): bool
    {
        return true;
    }

    public function heading(): string
    {
        return __('catalogue.ready_now');
    }
}

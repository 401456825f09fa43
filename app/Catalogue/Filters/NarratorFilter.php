<?php

declare(strict_types=1);

namespace App\Catalogue\Filters;

final readonly class NarratorFilter extends PersonFilter
{
    public static function name(): string
    {
        return 'narrators';
    }

    protected static function role(): string
    {
        return 'narrator';
    }

    public function heading(): string
    {
        return __('search.fields.narrator');
    }

    protected function words(string $name): string
    {
        return __('search.by_narrator', ['name' => $name]);
    }
}

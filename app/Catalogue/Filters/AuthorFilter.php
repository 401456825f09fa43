<?php

declare(strict_types=1);

namespace App\Catalogue\Filters;

final readonly class AuthorFilter extends PersonFilter
{
    public static function name(): string
    {
        return 'authors';
    }

    protected static function role(): string
    {
        return 'author';
    }

    public function heading(): string
    {
        return __('search.fields.author');
    }

    protected function words(string $name): string
    {
        return __('search.by_author', ['name' => $name]);
    }
}

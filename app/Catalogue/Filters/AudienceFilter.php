<?php

declare(strict_types=1);

namespace App\Catalogue\Filters;

use FigPorch\Core\Catalogue\Audience;
use Illuminate\Support\Str;

final readonly class AudienceFilter extends ChoiceFilter
{
    public static function name(): string
    {
        return 'audience';
    }

    protected static function isValue(string $asked): bool
    {
        return Audience::tryFrom($asked) !== null;
    }

    public static function everyTitleHasOne(): bool
    {
        return true;
    }

    public function heading(): string
    {
        return __('search.audience');
    }

    public function any(): string
    {
        return __('search.everyone');
    }

    public function values(array $counts): array
    {
        return array_map(
            fn(Audience $of): string => Str::ucfirst($this->words($of->value)),
            array_column(Audience::cases(), null, 'value'),
        );
    }

    protected function words(string $value): string
    {
        return __("search.audiences.{$value}");
    }

    protected function said(string $words): string
    {
        return "{$this->heading()} {$words}";
    }
}

<?php

declare(strict_types=1);

namespace App\Catalogue\Filters;

use FigPorch\Core\Catalogue\Format;

final readonly class FormatFilter extends ChoiceFilter
{
    public static function name(): string
    {
        return 'format';
    }

    protected static function isValue(string $asked): bool
    {
        return Format::tryFrom($asked) !== null;
    }

    public static function everyTitleHasOne(): bool
    {
        return true;
    }

    public function heading(): string
    {
        return __('common.format');
    }

    public function any(): string
    {
        return __('common.all_formats');
    }

    public function values(array $counts): array
    {
        return array_map(
            fn(Format $of): string => $this->words($of->value),
            array_column(Format::cases(), null, 'value'),
        );
    }

    protected function words(string $value): string
    {
        return __("catalogue.formats.{$value}");
    }
}

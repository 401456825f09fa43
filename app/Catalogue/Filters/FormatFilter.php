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
        // What stands elsewhere is offered where there is some.
        $offered = array_filter(
            array_column(Format::cases(), null, 'value'),
            fn(Format $of): bool => $of->isLent() ||
                ($counts[$of->value] ?? 0) > 0 ||
                in_array($of->value, $this->chosen, true),
        );

        return array_map(fn(Format $of): string => $this->words($of->value), $offered);
    }

    protected function words(string $value): string
    {
        return __("catalogue.formats.{$value}");
    }
}

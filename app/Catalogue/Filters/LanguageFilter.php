<?php

declare(strict_types=1);

namespace App\Catalogue\Filters;

use App\Shared\View\TitleText;
use Illuminate\Support\Str;

/** The language of the text. Some titles, as most music, have none. */
final readonly class LanguageFilter extends ChoiceFilter
{
    public static function name(): string
    {
        return 'language';
    }

    protected static function isValue(string $asked): bool
    {
        return preg_match('/^[a-z]{2,8}$/D', $asked) === 1;
    }

    public function heading(): string
    {
        return __('search.language');
    }

    public function any(): string
    {
        return __('search.any_language');
    }

    /** Those that something is in. */
    public function values(array $counts): array
    {
        $codes = array_map(strval(...), array_keys($counts));

        return array_combine($codes, array_map($this->words(...), $codes));
    }

    protected function words(string $value): string
    {
        return Str::ucfirst(TitleText::language($value));
    }
}

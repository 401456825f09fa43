<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

/** Where a value of a library's loan rules comes from, the most general first. */
enum RuleOrigin: string
{
    case Practice = 'practice';
    case Library = 'library';
    case Format = 'format';
    case Group = 'group';
    case Both = 'both';

    public static function of(LoanRule $rule): self
    {
        return match ($rule->specificity()) {
            0 => self::Library,
            1 => self::Format,
            2 => self::Group,
            default => self::Both,
        };
    }
}

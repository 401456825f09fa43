<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

/** The rooms that a library has before it arranges its own. */
enum UsualRoom: string
{
    case Children = 'children';
    case Teen = 'teen';
    case Reading = 'reading';
    case Study = 'study';

    /** For whom the titles are that belong here by themselves; anyone may study. */
    public function audience(): ?Audience
    {
        return match ($this) {
            self::Children => Audience::Child,
            self::Teen => Audience::Teen,
            self::Reading => Audience::Adult,
            self::Study => null,
        };
    }

    /** @return list<array{int, int}> ages, both included, that can be chosen between; none for grown-up readers */
    public function ages(): array
    {
        return match ($this) {
            self::Children => [[0, 5], [6, 8], [9, 12]],
            self::Teen => [[12, 14], [15, 17]],
            default => [],
        };
    }
}

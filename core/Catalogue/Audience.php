<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

enum Audience: string
{
    case Child = 'child';
    case Teen = 'teen';
    case Adult = 'adult';

    /** Whether a reader with this ceiling may have something made for $other. */
    public function covers(self $other): bool
    {
        return $this->rank() >= $other->rank();
    }

    private function rank(): int
    {
        return match ($this) {
            self::Child => 1,
            self::Teen => 2,
            self::Adult => 3,
        };
    }
}

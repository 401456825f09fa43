<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;

/** Who gets a copy that has come free. */
final class NextInLine
{
    /**
     * A library's own line first, then, for a shared licence, the others'; paused holds keep their place and are
     * passed over.
     *
     * @param  list<HoldInLine>  $line  in line order
     */
    public static function choose(array $line, int $licenceLibraryId, DateTimeImmutable $now): ?HoldInLine
    {
        $others = null;
        foreach ($line as $hold) {
            if ($hold->isPaused($now)) {
                continue;
            }
            if ($hold->libraryId === $licenceLibraryId) {
                return $hold;
            }
            $others ??= $hold;
        }

        return $others;
    }
}

<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;

/**
 * Who gets a copy that has come free (rules §3). The database must choose in the transaction that freed it, among rows
 * that it locks; its function lending_next_in_line is held against this by tests/App/Lending/NextInLineTest.
 */
final class NextInLine
{
    /**
     * A library's own line first, then, for a shared licence, those of the rest of the consortium; paused holds keep
     * their place and are passed over, and so are cards that may not borrow.
     *
     * @param  list<HoldInLine>  $line  in line order
     */
    public static function choose(array $line, LicenceReach $licence, DateTimeImmutable $now): ?HoldInLine
    {
        $others = null;
        foreach ($line as $hold) {
            if ($hold->isPaused($now) || !$hold->cardMayBorrow) {
                continue;
            }
            if ($hold->libraryId === $licence->libraryId) {
                return $hold;
            }
            $others ??= $licence->serves($hold->libraryId, $hold->consortiumId) ? $hold : null;
        }

        return $others;
    }
}

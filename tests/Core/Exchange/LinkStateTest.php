<?php

declare(strict_types=1);

namespace FigPorch\Tests\Core\Exchange;

use DateTimeImmutable;
use FigPorch\Core\Exchange\Links\LinkState;
use FigPorch\Core\Exchange\Links\Trouble;
use PHPUnit\Framework\TestCase;

/** When a website is looked at next, and when it is called dead. */
final class LinkStateTest extends TestCase
{
    public function test_what_answers_is_looked_at_once_a_week(): void
    {
        $now = new DateTimeImmutable('2026-05-01 12:00');
        $state = LinkState::after(3, null, $now);
        self::assertSame([0, null, false], [$state->tries, $state->trouble, $state->isDead]);
        self::assertEquals($now->modify('+7 days'), $state->askAt);
        // What stands inside is not looked at, and never dead.
        $inside = LinkState::after(4, Trouble::Inside, $now);
        self::assertSame([0, Trouble::Inside, false], [$inside->tries, $inside->trouble, $inside->isDead]);
    }

    public function test_five_tries_over_a_week_make_it_dead_and_it_is_looked_at_all_the_same(): void
    {
        $first = $now = new DateTimeImmutable('2026-05-01 12:00');
        $tries = 0;
        for ($n = 1; $n <= 8; $n++) {
            $state = LinkState::after($tries, Trouble::Silent, $now);
            self::assertSame($n >= 5, $state->isDead, "try {$n}");
            if ($n === 5) {
                self::assertEquals($first->modify('+7 days'), $now, 'the fifth is a week after the first');
            }
            [$tries, $now] = [$state->tries, $state->askAt];
        }
        self::assertSame(5, $tries);
        self::assertFalse(LinkState::after($tries, null, $now)->isDead);
    }

    /** Status codes as RFC 9110 has them (section 15), with those of RFC 6585 and RFC 7725. */
    public function test_who_asks_for_something_is_there(): void
    {
        $found = fn(int ...$codes): array => array_map(Trouble::ofStatus(...), $codes);
        self::assertSame([null, null, null, null], $found(200, 204, 206, 304));
        self::assertSame([null, null, null, null, null, null], $found(401, 402, 403, 407, 429, 451));
        self::assertSame([Trouble::Gone, Trouble::Gone], $found(404, 410));
        self::assertSame(array_fill(0, 5, Trouble::Broken), $found(400, 405, 500, 502, 503));
    }
}

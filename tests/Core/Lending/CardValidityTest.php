<?php

declare(strict_types=1);

namespace Tests\Core\Lending;

use DateTimeImmutable;
use FigPorch\Core\Lending\CardValidity;
use PHPUnit\Framework\TestCase;

/** What is told of a card before it bites. */
final class CardValidityTest extends TestCase
{
    public function test_it_is_told_thirty_days_before(): void
    {
        $now = new DateTimeImmutable('2026-05-01 12:00');
        $of = fn(?string $ends, bool $blocked = false): CardValidity => CardValidity::of(
            $blocked,
            $ends === null ? null : new DateTimeImmutable("2026-05-01 12:00 {$ends}"),
            $now,
        );
        $this->assertSame(CardValidity::Good, $of(null));
        $this->assertSame(CardValidity::Good, $of('+30 days +1 second'));
        $this->assertSame(CardValidity::EndsSoon, $of('+30 days'));
        $this->assertSame(CardValidity::EndsSoon, $of('+1 second'));
        $this->assertSame(CardValidity::Ended, $of('+0 seconds'));
        $this->assertSame(CardValidity::Blocked, $of('+1 year', true));
        $this->assertSame(CardValidity::Blocked, $of('-1 year', true));
    }
}

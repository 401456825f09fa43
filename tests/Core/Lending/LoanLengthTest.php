<?php

declare(strict_types=1);

namespace Tests\Core\Lending;

use DateTimeImmutable;
use DateTimeZone;
use FigPorch\Core\Lending\LoanLength;
use InvalidArgumentException;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class LoanLengthTest extends TestCase
{
    /** @return iterable<string, array{string, string, string, string}> */
    public static function dueTimes(): iterable
    {
        yield 'days keep the wall clock over the autumn change' => [
            '7d',
            '2026-10-22 18:00',
            'Europe/Lisbon',
            '2026-10-29 18:00',
        ];
        yield 'and over the spring change' => ['14d', '2026-03-20 09:30', 'Europe/Lisbon', '2026-04-03 09:30'];
        yield 'a due time that the clocks skip moves on by the hour skipped' => [
            '1d',
            '2026-03-28 01:30',
            'Europe/Lisbon',
            '2026-03-29 02:30',
        ];
        yield 'hours are absolute over the autumn change' => [
            '3h',
            '2026-10-25 00:30',
            'Europe/Lisbon',
            '2026-10-25 02:30',
        ];
        yield 'days over a year end' => ['21d', '2026-12-20 12:00', 'Pacific/Auckland', '2027-01-10 12:00'];
        yield 'leap day' => ['7d', '2028-02-25 23:59', 'UTC', '2028-03-03 23:59'];
    }

    #[DataProvider('dueTimes')]
    public function test_due_time(string $length, string $start, string $zone, string $due): void
    {
        $tz = new DateTimeZone($zone);
        // The moment is the same, in whatever zone it is told.
        foreach ([$zone, 'UTC', 'America/St_Johns'] as $told) {
            $begun = (new DateTimeImmutable($start, $tz))->setTimezone(new DateTimeZone($told));
            $result = LoanLength::parse($length)->dueAt($begun, $tz);

            $this->assertSame($due, $result->setTimezone($tz)->format('Y-m-d H:i'), $told);
            $this->assertSame('UTC', $result->getTimezone()->getName());
        }
    }

    #[TestWith(['14'])]
    #[TestWith(['0d'])]
    #[TestWith(['9999d'])]
    #[TestWith(['2w'])]
    #[TestWith(['-1d'])]
    public function test_refuses_what_is_no_length(string $text): void
    {
        $this->expectException(InvalidArgumentException::class);
        LoanLength::parse($text);
    }

    public function test_code_comes_back(): void
    {
        $this->assertSame('1h', LoanLength::parse('1h')->code());
        $this->assertSame('21d', LoanLength::days(21)->code());
    }
}

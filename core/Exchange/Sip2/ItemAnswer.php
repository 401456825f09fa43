<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Sip2;

use DateTimeImmutable;
use DateTimeZone;

/** What a library's system says of a copy: Item Information Response (18). */
final readonly class ItemAnswer
{
    /**
     * Circulation status (SIP2 2.00, from memory): 03 available, 09 waiting to be re-shelved; on order, charged (04,
     * 05), in process, recalled, waiting on the hold shelf, in transit, claimed returned, lost, missing.
     */
    private const IN = ['03', '09'];

    private const OUT = ['02', '04', '05', '06', '07', '08', '10', '11', '12', '13'];

    private const ON_LOAN = ['04', '05', '07'];

    /** Longer than anybody lends a book: a date is misread then. */
    private const MOST_YEARS = 5;

    /**
     * @param  bool|null  $isIn  null where it does not know the copy, or says something else
     * @param  DateTimeImmutable|null  $dueAt  when it is due back: the beginning of that day at the library
     */
    private function __construct(public ?bool $isIn, public ?DateTimeImmutable $dueAt) {}

    /**
     * @param  string  $number  of the copy that was asked for
     *
     * @throws UnreadableSip2 where it is of another copy
     */
    public static function of(Sip2Message $message, string $number, DateTimeZone $zone, DateTimeImmutable $now): self
    {
        if ($message->field('AB') !== $number) {
            throw new UnreadableSip2('It tells of another copy.');
        }
        $status = $message->fixed['circulation'];
        $isOnLoan = in_array($status, self::ON_LOAN, true);

        return new self(
            match (true) {
                in_array($status, self::IN, true) => true,
                in_array($status, self::OUT, true) => false,
                default => null,
            },
            $isOnLoan ? self::day((string) $message->field('AH'), $zone, $now) : null,
        );
    }

    /** AH has no form of its own in the standard: "20261214    235900", "2026-12-14" and nothing else is understood. */
    private static function day(string $text, DateTimeZone $zone, DateTimeImmutable $now): ?DateTimeImmutable
    {
        if (preg_match('/^(\d{4})-?(\d{2})-?(\d{2})(?!\d)/', $text, $m) !== 1) {
            return null;
        }
        $day = checkdate((int) $m[2], (int) $m[3], (int) $m[1])
            ? new DateTimeImmutable("{$m[1]}-{$m[2]}-{$m[3]}", $zone)
            : null;

        return $day !== null && abs($day->getTimestamp() - $now->getTimestamp()) < self::MOST_YEARS * 366 * 86_400
            ? $day
            : null;
    }
}

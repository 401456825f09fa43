<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;
use DateTimeZone;
use InvalidArgumentException;

/** How long a title may be kept: whole days, or hours for short loans. Written "14d" or "1h". */
final readonly class LoanLength
{
    private function __construct(public int $amount, public bool $inHours)
    {
        if ($amount < 1 || $amount > 3660) {
            throw new InvalidArgumentException("A loan length is between 1 and 3660 days or hours, not {$amount}.");
        }
    }

    public static function days(int $days): self
    {
        return new self($days, false);
    }

    public static function hours(int $hours): self
    {
        return new self($hours, true);
    }

    public static function parse(string $text): self
    {
        if (preg_match('/^(\d{1,4})([dh])$/', $text, $m) !== 1) {
            throw new InvalidArgumentException("A loan length looks like 14d or 1h, not '{$text}'.");
        }

        return new self((int) $m[1], $m[2] === 'h');
    }

    public function code(): string
    {
        return $this->amount . ($this->inHours ? 'h' : 'd');
    }

    /** For ordering only; a day counts as 24 hours here. */
    public function nominalHours(): int
    {
        return $this->inHours ? $this->amount : $this->amount * 24;
    }

    /**
     * Days are calendar days in the library's time zone at the same wall-clock time, so a daylight-saving change does
     * not move the due time; hours are absolute. The result is in UTC.
     */
    public function dueAt(DateTimeImmutable $start, DateTimeZone $libraryZone): DateTimeImmutable
    {
        $due = $this->inHours
            ? $start->setTimestamp($start->getTimestamp() + $this->amount * 3600)
            : $start->setTimezone($libraryZone)->modify("+{$this->amount} days");

        return $due->setTimezone(new DateTimeZone('UTC'));
    }
}

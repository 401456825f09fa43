<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

/** The ages of readers that something is made for, both included. */
final readonly class AgeRange
{
    /** The end of a range that has none. */
    public const OPEN = 99;

    /** Ages between which a search can choose, both included: as the children's and the teens' rooms have them. */
    public const BANDS = ['0-5', '6-8', '9-12', '13-14', '15-17'];

    private function __construct(public int $from, public int $to) {}

    /** schema.org's typicalAgeRange: "9-12", "7-", "-5"; null for anything else. */
    public static function parse(?string $text): ?self
    {
        if (
            preg_match('/^\s*(\d{1,2})?\s*[-–]\s*(\d{1,2})?\s*$/u', (string) $text, $m, PREG_UNMATCHED_AS_NULL) !== 1 ||
            ($m[1] ?? ($m[2] ?? null)) === null
        ) {
            return null;
        }
        $range = new self((int) ($m[1] ?? 0), (int) ($m[2] ?? self::OPEN));

        return $range->from <= $range->to ? $range : null;
    }

    /** What a record that gives no ages is taken to be for. */
    public static function of(Audience $audience): self
    {
        return match ($audience) {
            Audience::Child => new self(4, 12),
            Audience::Teen => new self(12, 17),
            Audience::Adult => new self(18, self::OPEN),
        };
    }

    public function audience(): Audience
    {
        // "7 and up" is for those of seven.
        $oldest = $this->to === self::OPEN ? $this->from : $this->to;

        return match (true) {
            $oldest > 17 => Audience::Adult,
            $oldest > 12 => Audience::Teen,
            default => Audience::Child,
        };
    }
}

<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Sip2;

use DateTimeImmutable;
use DateTimeZone;

/** What a library's system says of a patron: Patron Status Response (24), Patron Information Response (64). */
final readonly class PatronAnswer
{
    /** Places in the status: charge privileges denied; card reported lost. */
    private const DENIED = [0, 4];

    private function __construct(
        public bool $isKnown,
        public bool $pinFits,
        public ?string $name,
        public ?string $email,
        public bool $isBlocked,
        public ?string $reason,
        public ?DateTimeImmutable $expiresAt,
        public ?string $group,
    ) {}

    /** @param  Sip2Message|null  $information  where the system has it */
    public static function of(
        Sip2Message $status,
        ?Sip2Message $information,
        string $groupField,
        DateTimeZone $zone,
    ): self {
        $field = fn(string $name): ?string => $information?->field($name) ?? $status->field($name);
        $isDenied =
            array_filter(self::DENIED, fn(int $at): bool => ($status->fixed['status'][$at] ?? ' ') === 'Y') !== [];
        $day = $field('PA');
        $expires =
            $day !== null && preg_match('/^\d{8}/', $day) === 1
                ? DateTimeImmutable::createFromFormat('!Ymd', substr($day, 0, 8), $zone)
                : false;

        return new self(
            isKnown: $status->field('BL') === 'Y',
            pinFits: $status->field('CQ') === 'Y',
            name: $field('AE'),
            email: $field('BE'),
            isBlocked: $isDenied,
            reason: $isDenied ? $field('AF') : null,
            // Good until the end of that day.
            expiresAt: $expires === false ? null : $expires->modify('+1 day'),
            group: $groupField === '' ? null : $field($groupField),
        );
    }
}

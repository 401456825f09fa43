<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Lcp;

use DateTimeImmutable;

/** What happened with a licence (LSD 1.0, 2.5): on a device that says its name, or here. */
final readonly class StatusEvent
{
    /** @param  string  $kind  register, renew or return */
    public function __construct(
        public string $kind,
        public ?string $deviceId,
        public ?string $deviceName,
        public DateTimeImmutable $at,
    ) {}

    /** @return array<string, string> */
    public function document(): array
    {
        return array_filter(
            [
                'type' => $this->kind,
                'name' => $this->deviceName,
                'id' => $this->deviceId,
                'timestamp' => LicenceDocument::moment($this->at),
            ],
            fn(?string $value): bool => $value !== null,
        );
    }
}

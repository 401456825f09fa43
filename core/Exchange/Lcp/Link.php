<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Lcp;

/** A link of a licence or status document (LCP 1.0, 3.5). */
final readonly class Link
{
    /**
     * @param  int|null  $length  bytes of what is there
     * @param  string|null  $hash  its SHA-256, in base 16
     */
    public function __construct(
        public string $rel,
        public string $href,
        public string $type,
        public bool $templated = false,
        public ?string $title = null,
        public ?int $length = null,
        public ?string $hash = null,
    ) {}

    /** @return array<string, mixed> */
    public function document(): array
    {
        return array_filter(
            [
                'rel' => $this->rel,
                'href' => $this->href,
                'type' => $this->type,
                'templated' => $this->templated ?: null,
                'title' => $this->title,
                'length' => $this->length,
                'hash' => $this->hash,
            ],
            fn(mixed $value): bool => $value !== null,
        );
    }
}

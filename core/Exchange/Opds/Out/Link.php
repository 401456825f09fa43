<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Opds\Out;

/** A link of a catalogue: where it leads, as what (RFC 8288), and what is to be had there. */
final readonly class Link
{
    /** OPDS Catalog 1.2, 5.1 and 4.2, which OPDS 2.0 takes over. */
    public const BORROW = 'http://opds-spec.org/acquisition/borrow';

    public const ACQUISITION = 'http://opds-spec.org/acquisition';

    public const SAMPLE = 'http://opds-spec.org/acquisition/sample';

    public const SHELF = 'http://opds-spec.org/shelf';

    public const NEWEST = 'http://opds-spec.org/sort/new';

    public const POPULAR = 'http://opds-spec.org/sort/popular';

    public const IMAGE = 'http://opds-spec.org/image';

    public const THUMBNAIL = 'http://opds-spec.org/image/thumbnail';

    /** Ours, as an extension of RFC 8288, 2.1.2: to give back a loan, to cancel a hold, to keep a loan longer. */
    public const RETURN = 'tag:fig-porch.example,2026:return';

    public const CANCEL = 'tag:fig-porch.example,2026:cancel';

    public const RENEW = 'tag:fig-porch.example,2026:renew';

    /**
     * @param  string  $rel  registered (IANA), or an address
     * @param  list<string>  $indirect  of what comes in the end: media types, the outermost first
     * @param  int|null  $items  how many publications are there
     * @param  string|null  $userKey  64 digits of base 16: what opens a protected file, for who asks for their own
     */
    public function __construct(
        public string $rel,
        public string $href,
        public string $type,
        public ?string $title = null,
        public bool $templated = false,
        public array $indirect = [],
        public ?Supply $supply = null,
        public ?int $items = null,
        #[\SensitiveParameter] public ?string $userKey = null,
    ) {}

    /** As a feed tells an application (LCP Automatic Key Retrieval, from memory), so that it need not ask for it. */
    public function hashedPassphrase(): ?string
    {
        return $this->userKey === null ? null : base64_encode((string) hex2bin($this->userKey));
    }
}

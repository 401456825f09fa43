<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Lcp;

use DateTimeImmutable;

/** What applications ask before they open a file: whether its licence still stands, and what can be done (LSD 1.0). */
final readonly class StatusDocument
{
    public const TYPE = 'application/vnd.readium.license.status.v1.0+json';

    /**
     * @param  string  $id  of the licence
     * @param  string  $message  to the person
     * @param  DateTimeImmutable|null  $longest  until when it could be renewed now; null where it could not
     * @param  list<Link>  $links
     * @param  list<StatusEvent>  $events  the oldest first
     */
    public function __construct(
        public string $id,
        public LicenceStatus $status,
        private string $message,
        private DateTimeImmutable $licenceUpdated,
        private DateTimeImmutable $statusUpdated,
        private ?DateTimeImmutable $longest,
        private array $links,
        private array $events,
    ) {}

    /** @return array<string, mixed> */
    public function document(): array
    {
        return [
            'id' => $this->id,
            'status' => $this->status->value,
            'message' => $this->message,
            'updated' => [
                'license' => LicenceDocument::moment($this->licenceUpdated),
                'status' => LicenceDocument::moment($this->statusUpdated),
            ],
            'links' => array_map(fn(Link $link): array => $link->document(), $this->links),
            ...$this->longest === null
                ? []
                : ['potential_rights' => ['end' => LicenceDocument::moment($this->longest)]],
            'events' => array_map(fn(StatusEvent $event): array => $event->document(), $this->events),
        ];
    }
}

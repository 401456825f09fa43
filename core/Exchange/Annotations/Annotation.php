<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Annotations;

use DateTimeImmutable;
use FigPorch\Core\Reading\Locator;

/** A marked place with its note, as the W3C Web Annotation Data Model describes it (w3.org/TR/annotation-model). */
final readonly class Annotation
{
    /**
     * @param  string  $id  a UUID
     * @param  string  $source  the publication, as a URN or address
     */
    public function __construct(
        public string $id,
        public string $source,
        public string $title,
        public Locator $locator,
        public string $label,
        public string $note,
        public DateTimeImmutable $madeAt,
        public DateTimeImmutable $changedAt,
    ) {
    }

    /** @return array<string, mixed> JSON-LD, without the context that stands once above all */
    public function toArray(): array
    {
        return array_filter([
            'id' => "urn:uuid:{$this->id}",
            'type' => 'Annotation',
            'motivation' => $this->note === '' ? 'bookmarking' : 'commenting',
            'created' => self::time($this->madeAt),
            'modified' => self::time($this->changedAt),
            'body' => $this->note === '' ? null : ['type' => 'TextualBody', 'value' => $this->note, 'format' => 'text/plain'],
            'target' => ['source' => $this->source, 'selector' => $this->selector()],
        ], fn (mixed $value): bool => $value !== null);
    }

    /** @return array<string, mixed> the file, and in it the place: as an EPUB CFI, a media fragment, or a share of the file */
    private function selector(): array
    {
        $refined = ['type' => 'FragmentSelector', 'value' => sprintf('progression=%.4F', $this->locator->progression)];
        foreach ($this->locator->fragments as $fragment) {
            if (str_starts_with($fragment, 'epubcfi(')) {
                return ['type' => 'FragmentSelector', 'conformsTo' => 'http://idpf.org/epub/linking/cfi/epub-cfi.html', 'value' => $fragment];
            }
            if (str_starts_with($fragment, 't=')) {
                $refined = ['type' => 'FragmentSelector', 'conformsTo' => 'http://www.w3.org/TR/media-frags/', 'value' => $fragment];
            }
        }

        return ['type' => 'FragmentSelector', 'conformsTo' => 'http://tools.ietf.org/rfc/rfc3986', 'value' => $this->locator->href, 'refinedBy' => $refined];
    }

    private static function time(DateTimeImmutable $at): string
    {
        return $at->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s\Z');
    }
}

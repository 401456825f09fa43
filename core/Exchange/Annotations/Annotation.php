<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Annotations;

use DateTimeImmutable;
use FigPorch\Core\Reading\Locator;

/**
 * A marked place or text with its note, as the W3C Web Annotation Data Model describes it (w3.org/TR/annotation-model).
 */
final readonly class Annotation
{
    /** As marker pens have them; whoever shows them may choose others. */
    private const COLOURS = ['lamp' => '#f6d488', 'sea' => '#a9d6da', 'fig' => '#dcb4cb', 'clay' => '#f0bfa6'];

    /**
     * @param  string  $id  a UUID
     * @param  string  $source  the publication, as a URN or address
     * @param  string|null  $colour  of a highlight; a bookmark has none
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
        public ?string $colour = null,
    ) {}

    /** @return array<string, mixed> JSON-LD, without the context that stands once above all */
    public function toArray(): array
    {
        return array_filter(
            [
                'id' => "urn:uuid:{$this->id}",
                'type' => 'Annotation',
                'motivation' =>
                    $this->note !== '' ? 'commenting' : ($this->colour === null ? 'bookmarking' : 'highlighting'),
                'created' => self::time($this->madeAt),
                'modified' => self::time($this->changedAt),
                'body' =>
                    $this->note === ''
                        ? null
                        : ['type' => 'TextualBody', 'value' => $this->note, 'format' => 'text/plain'],
                // §3.2.4: the name of a class that whoever shows it may give a colour.
                'stylesheet' =>
                    $this->colour === null
                        ? null
                        : [
                            'type' => 'CssStylesheet',
                            'value' => ".{$this->colour} { background-color: " . self::COLOURS[$this->colour] . '; }',
                        ],
                'target' => array_filter([
                    'source' => $this->source,
                    'selector' => $this->selectors(),
                    'styleClass' => $this->colour,
                ]),
            ],
            fn(mixed $value): bool => $value !== null,
        );
    }

    /**
     * Where it is, and for a highlight also what it says (§4.2.4, text quote selector); either finds it.
     *
     * @return array<mixed>
     */
    private function selectors(): array
    {
        $text = $this->locator->text;

        return !isset($text['highlight'])
            ? $this->selector()
            : [
                $this->selector(),
                array_filter(
                    [
                        'type' => 'TextQuoteSelector',
                        'exact' => $text['highlight'],
                        'prefix' => $text['before'] ?? '',
                        'suffix' => $text['after'] ?? '',
                    ],
                    fn(string $part): bool => $part !== '',
                ),
            ];
    }

    /**
     * @return array<string, mixed> the file, and in it the place: as an EPUB CFI, a media fragment, or a share of the
     *     file
     */
    private function selector(): array
    {
        $refined = ['type' => 'FragmentSelector', 'value' => sprintf('progression=%.4F', $this->locator->progression)];
        foreach ($this->locator->fragments as $fragment) {
            if (str_starts_with($fragment, 'epubcfi(')) {
                return [
                    'type' => 'FragmentSelector',
                    'conformsTo' => 'http://idpf.org/epub/linking/cfi/epub-cfi.html',
                    'value' => $fragment,
                ];
            }
            if (str_starts_with($fragment, 't=')) {
                $refined = [
                    'type' => 'FragmentSelector',
                    'conformsTo' => 'http://www.w3.org/TR/media-frags/',
                    'value' => $fragment,
                ];
            }
        }

        return [
            'type' => 'FragmentSelector',
            'conformsTo' => 'http://tools.ietf.org/rfc/rfc3986',
            'value' => $this->locator->href,
            'refinedBy' => $refined,
        ];
    }

    private static function time(DateTimeImmutable $at): string
    {
        return $at->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s\Z');
    }
}

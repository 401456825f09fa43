<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading;

use InvalidArgumentException;

/** A place in a publication, as the Readium Locator model describes it (readium.org/architecture/models/locators). */
final readonly class Locator
{
    /**
     * @param  list<string>  $fragments  such as "epubcfi(…)"
     * @param  array{before?: string, highlight?: string, after?: string}  $text  what stands there and around it
     */
    public function __construct(
        public string $href,
        public string $type,
        public float $progression,
        public float $totalProgression,
        public ?int $position = null,
        public array $fragments = [],
        public array $text = [],
    ) {
        if ($href === '' || $progression < 0 || $progression > 1 || $totalProgression < 0 || $totalProgression > 1) {
            throw new InvalidArgumentException('A locator has a resource, and progressions between 0 and 1.');
        }
    }

    /** @param  array<mixed>  $data */
    public static function fromArray(array $data): self
    {
        $locations = is_array($data['locations'] ?? null) ? $data['locations'] : [];
        $number = fn(string $key): float => is_numeric($locations[$key] ?? null) ? (float) $locations[$key] : 0.0;
        $position = $locations['position'] ?? null;
        $fragments = is_array($locations['fragments'] ?? null) ? $locations['fragments'] : [];
        $text = is_array($data['text'] ?? null) ? array_filter($data['text'], is_string(...)) : [];

        return new self(
            href: is_string($data['href'] ?? null) ? $data['href'] : '',
            type: is_string($data['type'] ?? null) ? $data['type'] : '',
            progression: $number('progression'),
            totalProgression: $number('totalProgression'),
            position: is_numeric($position) ? (int) $position : null,
            fragments: array_values(array_filter($fragments, is_string(...))),
            text: array_intersect_key($text, ['before' => 1, 'highlight' => 1, 'after' => 1]),
        );
    }

    /** @return array{href: string, type: string, locations: array<string, mixed>, text?: array<string, string>} */
    public function toArray(): array
    {
        return [
            'href' => $this->href,
            'type' => $this->type,
            'locations' => array_filter(
                [
                    'progression' => $this->progression,
                    'totalProgression' => $this->totalProgression,
                    'position' => $this->position,
                    'fragments' => $this->fragments === [] ? null : $this->fragments,
                ],
                fn(mixed $v): bool => $v !== null,
            ),
            ...$this->text === [] ? [] : ['text' => $this->text],
        ];
    }
}

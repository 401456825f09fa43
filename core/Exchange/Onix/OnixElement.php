<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Onix;

use DOMElement;

/** An element of ONIX with what is in it, by reference names. */
final readonly class OnixElement
{
    public function __construct(private DOMElement $element) {}

    /** @return list<self> those of a name in it, also deeper by a path: "DescriptiveDetail/Contributor" */
    public function all(string $path): array
    {
        [$name, $rest] = [...explode('/', $path, 2), null];
        $found = [];
        foreach ($this->element->childNodes as $node) {
            if ($node instanceof DOMElement && OnixTags::reference((string) $node->localName) === $name) {
                $inner = new self($node);
                array_push($found, ...$rest === null ? [$inner] : $inner->all($rest));
            }
        }

        return $found;
    }

    /** The text of the first of a path; null where there is none, or nothing in it. */
    public function text(string $path): ?string
    {
        foreach ($this->all($path) as $of) {
            $text = trim((string) preg_replace('/[\s\p{Cc}]+/u', ' ', mb_scrub($of->element->textContent)));
            if ($text !== '') {
                return $text;
            }
        }

        return null;
    }

    /** @return list<string> texts of all of a path */
    public function texts(string $path): array
    {
        return array_values(
            array_filter(
                array_map(fn(self $of): string => trim(mb_scrub($of->element->textContent)), $this->all($path)),
                fn(string $text): bool => $text !== '',
            ),
        );
    }

    /** With its paragraphs, whether they are marked up or written as text. */
    public function prose(): string
    {
        $xml = '';
        foreach ($this->element->childNodes as $node) {
            $xml .= $this->element->ownerDocument?->saveXML($node);
        }
        // What was escaped once more is HTML all the same.
        $html = str_contains($xml, '&lt;') ? html_entity_decode($xml, ENT_QUOTES | ENT_HTML5) : $xml;
        $text = (string) preg_replace('~<(?:/p|/div|/li|br)\b[^>]*>~i', "\n\n", $html);
        $text = html_entity_decode(strip_tags($text), ENT_QUOTES | ENT_HTML5);
        $lines = array_map(
            fn(string $of): string => trim((string) preg_replace('/\s+/u', ' ', $of)),
            explode("\n\n", $text),
        );

        return implode("\n\n", array_filter($lines, fn(string $of): bool => $of !== ''));
    }
}

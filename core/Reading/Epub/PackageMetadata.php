<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading\Epub;

use DOMDocument;
use DOMElement;
use FigPorch\Core\Catalogue\PublicationDate;
use FigPorch\Core\Catalogue\SeriesPosition;
use FigPorch\Core\Reading\Creator;
use FigPorch\Core\Reading\Reason;
use FigPorch\Core\Reading\UnreadablePublication;

/**
 * What a package document says of its publication: Dublin Core and metas, with what refines them (OPF 2.0.1 §2.2, EPUB
 * 3.3 §5.5).
 */
final readonly class PackageMetadata
{
    public function __construct(private DOMDocument $package) {}

    /** @return array{string, string|null} title and subtitle */
    public function titles(): array
    {
        $main = null;
        $subtitle = null;
        foreach ($this->elements('title') as $element) {
            $text = Xml::text($element);
            if ($this->refinement($element, 'title-type') === 'subtitle') {
                $subtitle ??= $text;
            } elseif ($text !== '') {
                $main ??= $text;
            }
        }

        return [$main ?? throw new UnreadablePublication(Reason::NoTitle), $subtitle];
    }

    /** @return list<Creator> */
    public function creators(): array
    {
        $creators = [];
        foreach (['creator' => 'author', 'contributor' => 'contributor'] as $name => $otherwise) {
            foreach ($this->elements($name) as $element) {
                $text = Xml::text($element);
                if ($text === '') {
                    continue;
                }
                $opf = Xml::NAMESPACES['opf'];
                $sort = $this->refinement($element, 'file-as') ?? $element->getAttributeNS($opf, 'file-as');
                $codes = $this->refinements($element, 'role') ?: [$element->getAttributeNS($opf, 'role')];
                foreach ($codes as $code) {
                    $creators[] = new Creator($text, $sort ?: $text, Creator::roleFromMarc($code, $otherwise));
                }
            }
        }

        return $creators;
    }

    /** @return array{string|null, float|null} the series and the place in it, from an EPUB 3 collection */
    public function series(): array
    {
        foreach (Xml::find('//opf:metadata/opf:meta[@property="belongs-to-collection"]', $this->package) as $meta) {
            if (in_array($this->refinement($meta, 'collection-type'), ['series', null], true)) {
                return [Xml::text($meta), SeriesPosition::read($this->refinement($meta, 'group-position'))];
            }
        }

        return [null, null];
    }

    /** Plain text; markup in a description is dropped, paragraphs are kept apart by a blank line. */
    public function description(): ?string
    {
        $element = $this->elements('description')[0] ?? null;
        if ($element === null) {
            return null;
        }
        $text = html_entity_decode($element->textContent, ENT_QUOTES | ENT_HTML5, 'UTF-8');
        $text = preg_replace('#</(p|div|li|h\d)>|<br\s*/?>#i', "\n\n", $text) ?? '';
        $text = strip_tags($text);
        $paragraphs = preg_split('/\n\s*\n/', $text) ?: [];
        $paragraphs = array_map(fn(string $p): string => trim(preg_replace('/\s+/u', ' ', $p) ?? ''), $paragraphs);

        return implode("\n\n", array_filter($paragraphs, fn(string $p): bool => $p !== '')) ?: null;
    }

    public function date(): ?string
    {
        $date = null;
        foreach ($this->elements('date') as $element) {
            $event = $element->getAttributeNS(Xml::NAMESPACES['opf'], 'event');
            $read = PublicationDate::read(Xml::text($element));
            if ($event === 'publication' && $read !== null) {
                return $read;
            }
            $date ??= $read;
        }

        return $date;
    }

    /** @return array<string, list<string>> */
    public function accessibility(): array
    {
        $found = [];
        foreach (Xml::find('//opf:metadata/opf:meta', $this->package) as $meta) {
            $property = $meta->getAttribute('property') ?: $meta->getAttribute('name');
            if (preg_match('/^(schema:access|a11y:|dcterms:conformsTo$)/', $property) === 1) {
                $value = Xml::text($meta) ?: $meta->getAttribute('content');
                $found[substr($property, (int) strpos($property, ':') + 1)][] = $value;
            }
        }

        return $found;
    }

    /** @return list<DOMElement> */
    private function elements(string $name): array
    {
        return Xml::find("//opf:metadata//dc:{$name}", $this->package);
    }

    /** @return list<string> */
    public function values(string $name): array
    {
        return array_values(array_unique(array_filter(array_map(Xml::text(...), $this->elements($name)))));
    }

    public function meta(string $property): ?string
    {
        $meta = Xml::find("//opf:metadata/opf:meta[@property='{$property}'][not(@refines)]", $this->package)[0] ?? null;

        return $meta === null ? null : Xml::text($meta);
    }

    public function metaByName(string $name): ?string
    {
        return (Xml::find("//opf:metadata//opf:meta[@name='{$name}']", $this->package)[0] ?? null)?->getAttribute(
            'content',
        );
    }

    private function refinement(DOMElement $element, string $property): ?string
    {
        return $this->refinements($element, $property)[0] ?? null;
    }

    /** @return list<string> */
    private function refinements(DOMElement $element, string $property): array
    {
        $id = $element->getAttribute('id');
        $found = [];
        foreach (
            $id === '' ? [] : Xml::find("//opf:metadata/opf:meta[@property='{$property}']", $this->package)
            as $meta
        ) {
            if ($meta->getAttribute('refines') === "#{$id}") {
                $found[] = Xml::text($meta);
            }
        }

        return $found;
    }
}

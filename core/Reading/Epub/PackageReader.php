<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading\Epub;

use DOMDocument;
use DOMElement;
use FigPorch\Core\Catalogue\PublicationDate;

/** Reads the package document of an EPUB 2 (OPF 2.0.1) or EPUB 3 (EPUB 3.3 §5). */
final class PackageReader
{
    /** Ways of hiding fonts, not of locking books (EPUB 3.3 §4.3). */
    private const FONT_OBFUSCATION = ['http://www.idpf.org/2008/embedding', 'http://ns.adobe.com/pdf/enc#RC'];

    private DOMDocument $package;

    private string $path;

    /** @var array<string, array{href: string, type: string, properties: list<string>}> manifest by id */
    private array $items = [];

    private function __construct(private readonly Archive $archive)
    {
    }

    /** @throws UnreadablePublication */
    public static function read(Archive $archive): Publication
    {
        return (new self($archive))->publication();
    }

    private function publication(): Publication
    {
        $this->refuseEncryption();
        $this->path = $this->packagePath();
        $this->package = Xml::parse($this->archive->read($this->path), $this->path);
        $this->readManifest();
        $spine = $this->spine();
        $this->refuseEntities($spine);

        $navPath = $this->hrefWithProperty('nav');
        $ncxPath = $this->ncxPath();
        $navigation = NavigationReader::read($this->archive, $navPath, $ncxPath);
        [$title, $subtitle] = $this->titles();
        [$series, $seriesPosition] = $this->series();
        $spineElement = Xml::find('//opf:spine', $this->package)[0] ?? null;

        return new Publication(
            packagePath: $this->path,
            title: $title,
            subtitle: $subtitle,
            languages: $this->values('language'),
            creators: $this->creators(),
            identifiers: $this->values('identifier'),
            subjects: $this->values('subject'),
            series: $series,
            seriesPosition: $seriesPosition,
            description: $this->description(),
            publisher: $this->values('publisher')[0] ?? null,
            date: $this->date(),
            audience: $this->meta('dcterms:audience'),
            ages: $this->meta('schema:typicalAgeRange'),
            coverPath: $this->coverPath(),
            accessibility: $this->accessibility(),
            fixedLayout: $this->meta('rendition:layout') === 'pre-paginated',
            rightToLeft: $spineElement?->getAttribute('page-progression-direction') === 'rtl',
            spine: $spine,
            contents: $navigation['contents'],
            pages: $navigation['pages'],
            manifest: array_column($this->items, 'type', 'href'),
            navPath: $navPath,
            ncxPath: $ncxPath,
        );
    }

    private function packagePath(): string
    {
        if (! $this->archive->has('META-INF/container.xml')) {
            throw new UnreadablePublication(Reason::NoContainer);
        }
        $container = Xml::parse($this->archive->read('META-INF/container.xml'), 'META-INF/container.xml');
        foreach (Xml::find('//c:rootfile[@media-type="application/oebps-package+xml"]', $container) as $root) {
            $path = Href::resolve('', $root->getAttribute('full-path'));
            if ($path !== null && $this->archive->has($path)) {
                return $path;
            }
        }

        throw new UnreadablePublication(Reason::NoContainer);
    }

    private function refuseEncryption(): void
    {
        if (! $this->archive->has('META-INF/encryption.xml')) {
            return;
        }
        $encryption = Xml::parse($this->archive->read('META-INF/encryption.xml'), 'META-INF/encryption.xml');
        foreach (Xml::find('//enc:EncryptedData/enc:EncryptionMethod', $encryption) as $method) {
            if (! in_array($method->getAttribute('Algorithm'), self::FONT_OBFUSCATION, true)) {
                throw new UnreadablePublication(Reason::Encrypted);
            }
        }
    }

    private function readManifest(): void
    {
        foreach (Xml::find('//opf:manifest/opf:item', $this->package) as $item) {
            $href = Href::resolve($this->path, $item->getAttribute('href'));
            if ($href !== null) {
                $this->items[$item->getAttribute('id')] = [
                    'href' => $href,
                    'type' => $item->getAttribute('media-type'),
                    'properties' => array_values(array_filter(explode(' ', $item->getAttribute('properties')))),
                ];
            }
        }
    }

    /** @return non-empty-list<SpineItem> */
    private function spine(): array
    {
        $spine = [];
        foreach (Xml::find('//opf:spine/opf:itemref', $this->package) as $ref) {
            $item = $this->items[$ref->getAttribute('idref')] ?? null;
            if ($item === null || ! $this->archive->has($item['href'])) {
                throw new UnreadablePublication(Reason::MissingFile, $item['href'] ?? $ref->getAttribute('idref'));
            }
            $spine[] = new SpineItem(
                $ref->getAttribute('idref'),
                $item['href'],
                $item['type'],
                $this->archive->size($item['href']),
                $ref->getAttribute('linear') !== 'no',
            );
        }

        return $spine === [] ? throw new UnreadablePublication(Reason::NoSpine) : $spine;
    }

    /** @param  list<SpineItem>  $spine */
    private function refuseEntities(array $spine): void
    {
        foreach ($spine as $item) {
            if (preg_match('/<!ENTITY\s+(%\s+)?\S+\s+(SYSTEM|PUBLIC)/i', $this->archive->read($item->href)) === 1) {
                throw new UnreadablePublication(Reason::Entities, $item->href);
            }
        }
    }

    /** @return array{string, string|null} title and subtitle */
    private function titles(): array
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
    private function creators(): array
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
    private function series(): array
    {
        foreach (Xml::find('//opf:metadata/opf:meta[@property="belongs-to-collection"]', $this->package) as $meta) {
            if (in_array($this->refinement($meta, 'collection-type'), ['series', null], true)) {
                $position = $this->refinement($meta, 'group-position');

                return [Xml::text($meta), is_numeric($position) ? (float) $position : null];
            }
        }

        return [null, null];
    }

    /** Plain text; markup in a description is dropped, paragraphs are kept apart by a blank line. */
    private function description(): ?string
    {
        $element = $this->elements('description')[0] ?? null;
        if ($element === null) {
            return null;
        }
        $text = html_entity_decode($element->textContent, ENT_QUOTES | ENT_HTML5, 'UTF-8');
        $text = preg_replace('#</(p|div|li|h\d)>|<br\s*/?>#i', "\n\n", $text) ?? '';
        $text = strip_tags($text);
        $paragraphs = preg_split('/\n\s*\n/', $text) ?: [];
        $paragraphs = array_map(fn (string $p): string => trim(preg_replace('/\s+/u', ' ', $p) ?? ''), $paragraphs);

        return implode("\n\n", array_filter($paragraphs, fn (string $p): bool => $p !== '')) ?: null;
    }

    private function date(): ?string
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

    private function coverPath(): ?string
    {
        $path = $this->hrefWithProperty('cover-image');
        if ($path === null) {
            $id = $this->metaByName('cover');
            $item = $id === null ? null : $this->items[$id] ?? null;
            $path = $item !== null && str_starts_with($item['type'], 'image/') ? $item['href'] : null;
        }

        return $path !== null && $this->archive->has($path) ? $path : null;
    }

    /** @return array<string, list<string>> */
    private function accessibility(): array
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

    private function ncxPath(): ?string
    {
        $id = (Xml::find('//opf:spine', $this->package)[0] ?? null)?->getAttribute('toc') ?? '';
        $path = $this->items[$id]['href'] ?? null;
        if ($path === null) {
            foreach ($this->items as $item) {
                $path ??= $item['type'] === 'application/x-dtbncx+xml' ? $item['href'] : null;
            }
        }

        return $path !== null && $this->archive->has($path) ? $path : null;
    }

    private function hrefWithProperty(string $property): ?string
    {
        foreach ($this->items as $item) {
            if (in_array($property, $item['properties'], true) && $this->archive->has($item['href'])) {
                return $item['href'];
            }
        }

        return null;
    }

    /** @return list<DOMElement> */
    private function elements(string $name): array
    {
        return Xml::find("//opf:metadata//dc:{$name}", $this->package);
    }

    /** @return list<string> */
    private function values(string $name): array
    {
        return array_values(array_unique(array_filter(array_map(Xml::text(...), $this->elements($name)))));
    }

    private function meta(string $property): ?string
    {
        $meta = Xml::find("//opf:metadata/opf:meta[@property='{$property}'][not(@refines)]", $this->package)[0] ?? null;

        return $meta === null ? null : Xml::text($meta);
    }

    private function metaByName(string $name): ?string
    {
        return (Xml::find("//opf:metadata//opf:meta[@name='{$name}']", $this->package)[0] ?? null)?->getAttribute('content');
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
        foreach ($id === '' ? [] : Xml::find("//opf:metadata/opf:meta[@property='{$property}']", $this->package) as $meta) {
            if ($meta->getAttribute('refines') === "#{$id}") {
                $found[] = Xml::text($meta);
            }
        }

        return $found;
    }
}

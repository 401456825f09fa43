<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading\Epub;

use DOMDocument;
use FigPorch\Core\Reading\Archive;
use FigPorch\Core\Reading\Reason;
use FigPorch\Core\Reading\UnreadablePublication;

/** Reads the package document of an EPUB 2 (OPF 2.0.1) or EPUB 3 (EPUB 3.3 §5). */
final class PackageReader
{
    /** Ways of hiding fonts, not of locking books (EPUB 3.3 §4.3). */
    private const FONT_OBFUSCATION = ['http://www.idpf.org/2008/embedding', 'http://ns.adobe.com/pdf/enc#RC'];

    private DOMDocument $package;

    private string $path;

    /** @var array<string, array{href: string, type: string, properties: list<string>}> manifest by id */
    private array $items = [];

    private function __construct(private readonly Archive $archive) {}

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
        $metadata = new PackageMetadata($this->package);
        [$title, $subtitle] = $metadata->titles();
        [$series, $seriesPosition] = $metadata->series();
        $spineElement = Xml::find('//opf:spine', $this->package)[0] ?? null;

        return new Publication(
            packagePath: $this->path,
            title: $title,
            subtitle: $subtitle,
            languages: $metadata->values('language'),
            creators: $metadata->creators(),
            identifiers: $metadata->values('identifier'),
            subjects: $metadata->values('subject'),
            series: $series,
            seriesPosition: $seriesPosition,
            description: $metadata->description(),
            publisher: $metadata->values('publisher')[0] ?? null,
            date: $metadata->date(),
            audience: $metadata->meta('dcterms:audience'),
            ages: $metadata->meta('schema:typicalAgeRange'),
            coverPath: $this->coverPath($metadata->metaByName('cover')),
            accessibility: $metadata->accessibility(),
            magazine: in_array('magazine', array_map(strtolower(...), $metadata->values('type')), true),
            fixedLayout: $metadata->meta('rendition:layout') === 'pre-paginated',
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
        if (!$this->archive->has('META-INF/container.xml')) {
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
        if (!$this->archive->has('META-INF/encryption.xml')) {
            return;
        }
        $encryption = Xml::parse($this->archive->read('META-INF/encryption.xml'), 'META-INF/encryption.xml');
        foreach (Xml::find('//enc:EncryptedData/enc:EncryptionMethod', $encryption) as $method) {
            if (!in_array($method->getAttribute('Algorithm'), self::FONT_OBFUSCATION, true)) {
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
            if ($item === null || !$this->archive->has($item['href'])) {
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

    /** @param  string|null  $id  of the item that EPUB 2 names as the cover */
    private function coverPath(?string $id): ?string
    {
        $path = $this->hrefWithProperty('cover-image');
        if ($path === null) {
            $item = $id === null ? null : $this->items[$id] ?? null;
            $path = $item !== null && str_starts_with($item['type'], 'image/') ? $item['href'] : null;
        }

        return $path !== null && $this->archive->has($path) ? $path : null;
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
}

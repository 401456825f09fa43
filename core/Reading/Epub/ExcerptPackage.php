<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading\Epub;

use DOMDocument;
use DOMElement;
use FigPorch\Core\Reading\Archive;
use FigPorch\Core\Reading\UnreadablePublication;

/** The package document and the lists of contents of an excerpt: they speak of nothing that is not there. */
final class ExcerptPackage
{
    /**
     * @param  array<string, string|null>  $files  of the excerpt: path => bytes, or null for as in the archive
     * @param  non-empty-list<string>  $kept  those of the reading order
     */
    private function __construct(
        private readonly Archive $archive,
        private readonly Publication $publication,
        private array $files,
        private readonly array $kept,
    ) {}

    /**
     * @param  array<string, string|null>  $files
     * @param  non-empty-list<string>  $kept
     * @return array<string, string|null> the files with the package document and the contents
     *
     * @throws UnreadablePublication
     */
    public static function written(Archive $archive, Publication $publication, array $files, array $kept): array
    {
        $package = new self($archive, $publication, $files, $kept);
        $package->rewrite();

        return $package->files;
    }

    /**
     * Whether a target is in an excerpt: its document, and in a document that was cut the element too.
     *
     * @param  array<string, string|null>  $files
     * @param  list<string>  $kept
     */
    public static function leads(?string $path, string $fragment, array $files, array $kept): bool
    {
        if ($path === null || !in_array($path, $kept, true)) {
            return false;
        }
        $cut = $files[$path];

        return $cut === null || $fragment === '' || str_contains($cut, 'id="' . substr($fragment, 1) . '"');
    }

    /** Takes out of package and contents what is not in the excerpt. */
    private function rewrite(): void
    {
        $path = $this->publication->packagePath;
        $package = Xml::parse($this->archive->read($path), $path);
        $dropped = [];
        foreach (Xml::find('//opf:manifest/opf:item', $package) as $item) {
            $href = Href::resolve($path, $item->getAttribute('href'));
            if ($href === $this->publication->navPath || $href === $this->publication->ncxPath) {
                continue;
            }
            if ($href === null || !array_key_exists($href, $this->files)) {
                $dropped[$item->getAttribute('id')] = true;
                $item->parentNode?->removeChild($item);
            }
        }
        foreach (Xml::find('//opf:spine/opf:itemref', $package) as $ref) {
            if (isset($dropped[$ref->getAttribute('idref')])) {
                $ref->parentNode?->removeChild($ref);
            }
        }
        // What is not there is not spoken of: recordings and their lengths.
        foreach (Xml::find('//opf:manifest/opf:item[@media-overlay]', $package) as $item) {
            $item->removeAttribute('media-overlay');
        }
        foreach (
            Xml::find('//opf:metadata/opf:meta[@refines or starts-with(@property, "media:")]', $package)
            as $meta
        ) {
            if (
                isset($dropped[ltrim($meta->getAttribute('refines'), '#')]) ||
                str_starts_with($meta->getAttribute('property'), 'media:')
            ) {
                $meta->parentNode?->removeChild($meta);
            }
        }
        $this->files[$path] = (string) $package->saveXML();

        foreach (
            [
                [$this->publication->navPath, '//x:li', 'x:a', 'href'],
                [$this->publication->ncxPath, '//ncx:navPoint|//ncx:pageTarget', 'ncx:content', 'src'],
            ]
            as [$nav, $entries, $link, $attribute]
        ) {
            if ($nav === null || in_array($nav, $this->kept, true)) {
                continue;
            }
            try {
                $document = Xml::parse($this->archive->read($nav), $nav);
            } catch (UnreadablePublication) {
                continue;
            }
            foreach (array_reverse(Xml::find($entries, $document)) as $entry) {
                $href = (Xml::find($link, $entry)[0] ?? null)?->getAttribute($attribute) ?? '';
                if (!self::leads(Href::resolve($nav, $href), Href::fragment($href), $this->files, $this->kept)) {
                    $entry->parentNode?->removeChild($entry);
                }
            }
            $this->fillEmptyLists($document, $nav, $this->kept[0]);
            $this->files[$nav] = (string) $document->saveXML();
        }
    }

    /**
     * A list without entries is none (EPUB 3.3, navigation documents): contents lead to the first document at least.
     */
    private function fillEmptyLists(DOMDocument $document, string $nav, string $first): void
    {
        foreach (array_reverse(Xml::find('//x:ol[not(x:li)]', $document)) as $list) {
            $above = $list->parentNode;
            $isContents =
                $above instanceof DOMElement &&
                $above->getAttributeNS(Xml::NAMESPACES['epub'], 'type') === 'toc' &&
                Xml::find('.//x:li', $above) === [];
            if ($isContents) {
                $link = $document->createElementNS(Xml::NAMESPACES['x'], 'a');
                $link->setAttribute('href', Href::relative($nav, $first));
                $link->textContent = $this->publication->title;
                $list->appendChild($document->createElementNS(Xml::NAMESPACES['x'], 'li'))->appendChild($link);
            } elseif ($above instanceof DOMElement && $above->localName === 'nav') {
                $above->parentNode?->removeChild($above);
            } else {
                $above?->removeChild($list);
            }
        }
    }
}

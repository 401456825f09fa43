<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading\Epub;

use DOMNode;
use DOMText;
use FigPorch\Core\Reading\Archive;
use FigPorch\Core\Reading\Reason;
use FigPorch\Core\Reading\UnreadablePublication;

/**
 * The part of a publication that anyone may read: the front of the reading order up to a share of its text, made as a
 * publication of its own, so that there is nothing more to be had by asking for another file.
 */
final class Excerpt
{
    /** A share of a short book is still enough to taste, in bytes of text; of a very short one no more than a third. */
    private const LEAST_TEXT = 700;

    /** @var array<string, string|null> path => bytes, or null for the file as it stands in the archive */
    private array $files = [];

    private function __construct(private readonly Archive $archive, private readonly Publication $publication) {}

    /**
     * @param  float  $share  of the text of the reading order, 0 to 1
     * @return array<string, string|null> path => bytes, or null for the file as it stands in the archive
     *
     * @throws UnreadablePublication
     */
    public static function of(Archive $archive, Publication $publication, float $share = 0.1): array
    {
        $excerpt = new self($archive, $publication);
        $kept = $excerpt->keepFront($share);
        $excerpt->dropDeadLinks($kept);
        $excerpt->keepWhatIsShown();
        $excerpt->rewritePackage($kept);
        $excerpt->files['META-INF/container.xml'] = null;
        if ($archive->has('META-INF/encryption.xml')) {
            $excerpt->files['META-INF/encryption.xml'] = null;
        }

        return $excerpt->files;
    }

    /** @return list<string> paths of the reading order that stay */
    private function keepFront(float $share): array
    {
        $spine = $this->publication->spine;
        if ($this->publication->fixedLayout) {
            $front = array_slice($spine, 0, max(2, (int) ceil(count($spine) * $share)));
            foreach ($front as $item) {
                $this->files[$item->href] = null;
            }

            return array_keys($this->files);
        }
        $lengths = array_map(fn(SpineItem $i): int => strlen(strip_tags($this->archive->read($i->href))), $spine);
        $left = max(
            min(self::LEAST_TEXT, intdiv((int) array_sum($lengths), 3)),
            (int) ceil(array_sum($lengths) * $share),
        );
        foreach ($spine as $n => $item) {
            if ($left <= 0) {
                break;
            }
            $this->files[$item->href] = $lengths[$n] <= $left ? null : $this->cut($item, $left);
            $left -= $lengths[$n];
        }

        return array_keys($this->files);
    }

    /** The document up to about $bytes of its text, with everything after taken out. */
    private function cut(SpineItem $item, int $bytes): string
    {
        $body = Xml::body($this->archive->read($item->href));
        if ($body === null) {
            throw new UnreadablePublication(Reason::BadXml, $item->href);
        }
        $this->trim($body, $bytes);

        return (string) $body->ownerDocument?->saveXML();
    }

    private function trim(DOMNode $node, int &$left): void
    {
        foreach (iterator_to_array($node->childNodes) as $child) {
            if ($left <= 0) {
                $node->removeChild($child);
            } elseif ($child instanceof DOMText) {
                if (strlen($child->data) > $left + 2000) {
                    $child->data = mb_strcut($child->data, 0, $left) . '…';
                }
                $left -= strlen($child->data);
            } else {
                $this->trim($child, $left);
            }
        }
    }

    /**
     * Links to what is not in the excerpt become plain text.
     *
     * @param  list<string>  $kept
     */
    private function dropDeadLinks(array $kept): void
    {
        foreach ($kept as $path) {
            $body = Xml::body($this->files[$path] ?? $this->archive->read($path));
            $changed = false;
            foreach ($body === null ? [] : iterator_to_array($body->getElementsByTagName('a')) as $link) {
                $href = $link->getAttribute('href');
                $target = $href === '' ? null : Href::resolve($path, $href);
                if ($target !== null && !$this->leadsSomewhere($target, Href::fragment($href), $kept)) {
                    $link->removeAttribute('href');
                    $changed = true;
                }
            }
            if ($changed) {
                $this->files[$path] = (string) $body?->ownerDocument?->saveXML();
            }
        }
    }

    /** Styles, pictures and fonts that the kept documents name, and those that the styles name. */
    private function keepWhatIsShown(): void
    {
        $inOrder = array_flip(array_map(fn(SpineItem $i): string => $i->href, $this->publication->spine));
        $toRead = array_keys($this->files);
        while (($path = array_pop($toRead)) !== null) {
            $text = $this->files[$path] ?? $this->archive->read($path);
            preg_match_all(
                '/\b(?:src|href|poster)\s*=\s*["\']([^"\']+)|url\(\s*["\']?([^"\')]+)|@import\s+["\']([^"\']+)/i',
                $text,
                $m,
            );
            foreach (array_filter([...$m[1], ...$m[2], ...$m[3]]) as $href) {
                $target = Href::resolve($path, html_entity_decode($href));
                if (
                    $target === null ||
                    isset($inOrder[$target]) ||
                    array_key_exists($target, $this->files) ||
                    !$this->archive->has($target)
                ) {
                    continue;
                }
                $type = $this->publication->manifest[$target] ?? '';
                if (
                    preg_match('#^(image|font|text/css|application/(x-)?font|application/vnd\.ms-opentype)#', $type) ===
                    1
                ) {
                    $this->files[$target] = null;
                    if (in_array($type, ['text/css', 'image/svg+xml'], true)) {
                        $toRead[] = $target;
                    }
                }
            }
        }
    }

    /**
     * Whether a target is still there: its document, and in a document that was cut the element too.
     *
     * @param  list<string>  $kept
     */
    private function leadsSomewhere(?string $path, string $fragment, array $kept): bool
    {
        if ($path === null || !in_array($path, $kept, true)) {
            return false;
        }
        $cut = $this->files[$path];

        return $cut === null || $fragment === '' || str_contains($cut, 'id="' . substr($fragment, 1) . '"');
    }

    /** @param  list<string>  $kept */
    private function rewritePackage(array $kept): void
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
            if ($nav === null || in_array($nav, $kept, true)) {
                continue;
            }
            try {
                $document = Xml::parse($this->archive->read($nav), $nav);
            } catch (UnreadablePublication) {
                continue;
            }
            foreach (array_reverse(Xml::find($entries, $document)) as $entry) {
                $href = (Xml::find($link, $entry)[0] ?? null)?->getAttribute($attribute) ?? '';
                if (!$this->leadsSomewhere(Href::resolve($nav, $href), Href::fragment($href), $kept)) {
                    $entry->parentNode?->removeChild($entry);
                }
            }
            $this->files[$nav] = (string) $document->saveXML();
        }
    }
}

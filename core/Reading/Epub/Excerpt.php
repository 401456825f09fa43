<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading\Epub;

use DOMDocument;
use DOMElement;
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

    /** What is seen as a picture, wherever its file is: elements, and drawings that stand in the document itself. */
    private const PICTURES = [
        'img',
        'image',
        'svg',
        'object',
        'embed',
        'iframe',
        'canvas',
        'video',
        'audio',
        'picture',
    ];

    /** @var array<string, string|null> path => bytes, or null for the file as it stands in the archive */
    private array $files = [];

    /** Bytes of text that may still be shown. */
    private int $text;

    /** Whether a text was cut short: nothing more is shown. */
    private bool $isCut = false;

    /** Pictures that may still be shown; where there are any, one at least. */
    private int $pictures;

    private function __construct(private readonly Archive $archive, private readonly Publication $publication) {}

    /**
     * @param  float  $share  of the text of the reading order, 0 to 1; and of its pictures, or of its pages where they
     *     are fixed: no more than that, but one
     * @return array<string, string|null> path => bytes, or null for the file as it stands in the archive
     *
     * @throws UnreadablePublication
     */
    public static function of(Archive $archive, Publication $publication, float $share = 0.1): array
    {
        $excerpt = new self($archive, $publication);
        $kept = $excerpt->keepFront($share);
        $excerpt->dropDeadLinks($kept);
        $excerpt->keepWhatIsShown($share);
        $excerpt->dropMissingPictures($kept);
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
            foreach (array_slice($spine, 0, max(1, (int) floor(count($spine) * $share))) as $item) {
                $this->files[$item->href] = null;
            }

            return array_keys($this->files);
        }
        $bodies = array_map(fn(SpineItem $item): ?DOMElement => Xml::body($this->archive->read($item->href)), $spine);
        $texts = array_map(fn(?DOMElement $body): int => strlen($body->textContent ?? ''), $bodies);
        $pictures = array_sum(array_map(self::picturesIn(...), $bodies));
        $this->pictures = max(1, (int) floor($pictures * $share));
        $this->text = max(
            min(self::LEAST_TEXT, intdiv((int) array_sum($texts), 3)),
            (int) floor(array_sum($texts) * $share),
        );
        foreach ($spine as $n => $item) {
            [$body, $hasText, $hasPictures] = [$bodies[$n], $texts[$n] > 0, self::picturesIn($bodies[$n]) > 0];
            if (
                $this->isCut ||
                ($this->files !== [] && !($hasText ? $this->text > 0 : $hasPictures && $this->pictures > 0))
            ) {
                break;
            }
            if ($body === null) {
                throw new UnreadablePublication(Reason::BadXml, $item->href);
            }
            $whole = $texts[$n] <= $this->text && self::picturesIn($body) <= $this->pictures;
            $this->trim($body);
            $this->files[$item->href] = $whole ? null : (string) $body->ownerDocument?->saveXML();
        }

        return array_keys($this->files);
    }

    /** One for each that is seen: a picture within another, as an image in a drawing, is one with it. */
    private static function picturesIn(?DOMNode $node): int
    {
        $count = 0;
        foreach ($node->childNodes ?? [] as $child) {
            $count += self::isPicture($child) ? 1 : self::picturesIn($child);
        }

        return $count;
    }

    private static function isPicture(DOMNode $node): bool
    {
        return in_array(strtolower((string) $node->localName), self::PICTURES, true);
    }

    /** Takes out what stands after the text that may be shown, and the pictures beyond those that may. */
    private function trim(DOMNode $node): void
    {
        foreach (iterator_to_array($node->childNodes) as $child) {
            if (self::isPicture($child)) {
                // Text within it, as in a drawing, is text.
                $this->text -= strlen((string) $child->textContent);
                if ($this->isCut || $this->pictures-- <= 0 || $this->text < 0) {
                    $node->removeChild($child);
                }
            } elseif ($child instanceof DOMText) {
                $this->isCut = $this->isCut || strlen($child->data) > $this->text;
                $child->data = self::cut($child->data, $this->text);
                $this->text -= strlen($child->data);
            } else {
                $empties = $this->isCut;
                $this->trim($child);
                $empties && $node->removeChild($child);
            }
        }
    }

    /** The text up to so many bytes, ending with a whole word. */
    private static function cut(string $text, int $bytes): string
    {
        if (strlen($text) <= $bytes) {
            return $text;
        }
        $front = mb_strcut($text, 0, max(0, $bytes - strlen('…')));

        return $front === '' ? '' : preg_replace('/\s+\S*$/u', '', $front) . '…';
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

    /**
     * Styles, pictures and fonts that the kept documents name, and those that the styles name: of the files that are
     * pictures no more than the share, or one, whatever names them.
     */
    private function keepWhatIsShown(float $share): void
    {
        $pictures = array_filter(
            array_keys($this->publication->manifest),
            fn(string $path): bool => str_starts_with($this->publication->manifest[$path], 'image') &&
                $this->archive->has($path),
        );
        $sizes = array_combine($pictures, array_map($this->archive->size(...), $pictures));
        $left = max(1, (int) floor(count($sizes) * $share));
        $bytes = (int) (array_sum($sizes) * $share);
        $shown = 0;
        $inOrder = array_flip(array_map(fn(SpineItem $i): string => $i->href, $this->publication->spine));
        $toRead = array_keys($this->files);
        while (($path = array_shift($toRead)) !== null) {
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
                    $size = $sizes[$target] ?? null;
                    if ($size !== null && $shown > 0 && ($left <= 0 || $size > $bytes)) {
                        continue;
                    }
                    if ($size !== null) {
                        [$left, $bytes, $shown] = [$left - 1, $bytes - $size, $shown + 1];
                    }
                    $this->files[$target] = null;
                    if (in_array($type, ['text/css', 'image/svg+xml'], true)) {
                        $toRead[] = $target;
                    }
                }
            }
        }
    }

    /**
     * A picture whose file is not in the excerpt leaves no hole.
     *
     * @param  list<string>  $kept
     */
    private function dropMissingPictures(array $kept): void
    {
        foreach ($kept as $path) {
            $body = Xml::body($this->files[$path] ?? $this->archive->read($path));
            $changed = false;
            foreach (
                $body === null ? [] : Xml::find('.//*[@src or @data or @*[local-name() = "href"]]', $body)
                as $element
            ) {
                $named =
                    $element->getAttribute('src') ?: $element->getAttribute('href') ?: $element->getAttribute('data');
                $named = $named ?: $element->getAttributeNS('http://www.w3.org/1999/xlink', 'href');
                $target = self::isPicture($element) && $named !== '' ? Href::resolve($path, $named) : null;
                if ($target !== null && $this->archive->has($target) && !array_key_exists($target, $this->files)) {
                    $element->parentNode?->removeChild($element);
                    $changed = true;
                }
            }
            if ($changed) {
                $this->files[$path] = (string) $body?->ownerDocument?->saveXML();
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
            $this->fillEmptyLists($document, $nav, $kept[0]);
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

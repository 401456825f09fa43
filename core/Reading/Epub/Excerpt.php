<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading\Epub;

use FigPorch\Core\Reading\Archive;
use FigPorch\Core\Reading\UnreadablePublication;

/**
 * The part of a publication that anyone may read: the front of the reading order up to a share of its text, made as a
 * publication of its own, so that there is nothing more to be had by asking for another file.
 */
final class Excerpt
{
    /** @var array<string, string|null> path => bytes, or null for the file as it stands in the archive */
    private array $files = [];

    private function __construct(private readonly Archive $archive, private readonly Publication $publication) {}

    /**
     * @param  float  $share  of the text of the reading order, 0 to 1; and of its pictures, or of its pages where they
     *     are fixed: no more than that, but one
     * @return array<string, string|null> path => bytes, or null for the file as it stands in the archive; none where a
     *     part of it would be all of it
     *
     * @throws UnreadablePublication
     */
    public static function of(Archive $archive, Publication $publication, float $share = 0.1): array
    {
        $excerpt = new self($archive, $publication);
        $excerpt->files = ExcerptFront::of($archive, $publication, $share);
        $kept = array_keys($excerpt->files);
        if ($kept === []) {
            return [];
        }
        $excerpt->dropDeadLinks($kept);
        $excerpt->keepWhatIsShown($share);
        $excerpt->dropMissingPictures($kept);
        $files = ExcerptPackage::written($archive, $publication, $excerpt->files, $kept);
        $others = array_filter(['META-INF/container.xml', 'META-INF/encryption.xml'], $archive->has(...));

        return $files + array_fill_keys($others, null);
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
                if ($target !== null && !ExcerptPackage::leads($target, Href::fragment($href), $this->files, $kept)) {
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
                $target = ExcerptFront::isPicture($element) && $named !== '' ? Href::resolve($path, $named) : null;
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
}

<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading\Epub;

use DOMNode;
use DOMText;
use FigPorch\Core\Reading\Archive;
use FigPorch\Core\Reading\Reason;
use FigPorch\Core\Reading\UnreadablePublication;

/** Which documents of the reading order anyone may see, and how much of the last: by text, pictures or fixed pages. */
final class ExcerptFront
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

    /** @var array<string, string|null> path => the document, cut; null for as it is */
    private array $files = [];

    /** Bytes of text that may still be shown. */
    private int $text = 0;

    /** Whether a text was cut short: nothing more is shown. */
    private bool $isCut = false;

    /** Pictures that may still be shown; where there are any, one at least. */
    private int $pictures = 0;

    private function __construct(private readonly Archive $archive) {}

    /**
     * @param  float  $share  0 to 1: of texts, of pictures, or of pages where they are fixed; no more than it, but one
     * @return array<string, string|null> path => the document, cut; null for as it is. None where it would be all
     *
     * @throws UnreadablePublication
     */
    public static function of(Archive $archive, Publication $publication, float $share): array
    {
        $front = new self($archive);
        // A reading order may name a document many times, for each of its parts: it counts, and is shown, once.
        $paths = array_values(array_unique(array_map(fn(SpineItem $item): string => $item->href, $publication->spine)));
        $publication->fixedLayout ? $front->pages($paths, $share) : $front->documents($paths, $share);
        $isWhole =
            count($front->files) === count($paths) &&
            array_filter($front->files, fn(?string $cut): bool => $cut !== null) === [];

        return $isWhole ? [] : $front->files;
    }

    /** @param  list<string>  $paths */
    private function pages(array $paths, float $share): void
    {
        $this->files = array_fill_keys(array_slice($paths, 0, max(1, (int) floor(count($paths) * $share))), null);
    }

    /** @param  list<string>  $paths */
    private function documents(array $paths, float $share): void
    {
        // One document at a time is held as a tree: a book may have a thousand.
        $worth = array_map(function (string $path): array {
            $body = Xml::body($this->archive->read($path));

            return [strlen($body->textContent ?? ''), self::picturesIn($body)];
        }, $paths);
        [$texts, $pictures] = [array_sum(array_column($worth, 0)), array_sum(array_column($worth, 1))];
        $this->pictures = max(1, (int) floor($pictures * $share));
        $this->text = max(min(self::LEAST_TEXT, intdiv($texts, 3)), (int) floor($texts * $share));
        foreach ($paths as $n => $path) {
            [$text, $pictures] = $worth[$n];
            $showsMore = $text > 0 ? $this->text > 0 : $pictures > 0 && $this->pictures > 0;
            if ($this->isCut || ($this->files !== [] && !$showsMore)) {
                break;
            }
            $this->document($path, $text, $pictures);
        }
    }

    private function document(string $path, int $text, int $pictures): void
    {
        $isWhole = $text <= $this->text && $pictures <= $this->pictures;
        $body = Xml::body($this->archive->read($path)) ?? throw new UnreadablePublication(Reason::BadXml, $path);
        $this->trim($body);
        $this->files[$path] = $isWhole ? null : (string) $body->ownerDocument?->saveXML();
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

    public static function isPicture(DOMNode $node): bool
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
}

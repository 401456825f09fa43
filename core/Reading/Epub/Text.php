<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading\Epub;

use DOMElement;
use DOMNode;
use DOMText;

/**
 * The text of one XHTML document: how long it is, where its elements stand in it, and any part of it with its markup.
 */
final class Text
{
    /** Elements that show something without holding text. */
    private const SHOWN = ['img', 'image', 'svg', 'hr', 'br', 'math', 'video', 'audio', 'td', 'th'];

    private readonly ?DOMElement $body;

    public function __construct(string $source)
    {
        $this->body = Xml::body($source);
    }

    /** Bytes. */
    public function length(): int
    {
        return strlen((string) $this->body?->textContent);
    }

    /**
     * @param  list<string>  $ids
     * @return array<string, int> bytes of text before each element that is there
     */
    public function offsets(array $ids): array
    {
        $wanted = array_fill_keys($ids, true);
        $offsets = [];
        $at = 0;
        $walk = function (DOMNode $node) use (&$walk, &$at, &$offsets, $wanted): void {
            if ($node instanceof DOMText) {
                $at += strlen($node->data);
            } elseif ($node instanceof DOMElement) {
                $id = $node->getAttribute('id');
                if ($id !== '' && isset($wanted[$id])) {
                    $offsets[$id] ??= $at;
                }
                foreach ($node->childNodes as $child) {
                    $walk($child);
                }
            }
        };
        if ($this->body !== null) {
            $walk($this->body);
        }

        return $offsets;
    }

    /**
     * The markup of the text from one offset up to another, words kept whole. It takes the rest out of this document,
     * so it is asked once.
     *
     * @param  int|null  $to  bytes; null for the end
     */
    public function between(int $from, ?int $to): string
    {
        if ($this->body === null) {
            return '';
        }
        $to ??= PHP_INT_MAX;
        $at = 0;
        $this->keep($this->body, $from, $to, $at);
        $markup = '';
        foreach ($this->body->childNodes as $child) {
            $markup .= $this->body->ownerDocument?->saveXML($child);
        }

        return $markup;
    }

    /** @return bool whether anything of the node is left */
    private function keep(DOMNode $node, int $from, int $to, int &$at): bool
    {
        $any = false;
        foreach (iterator_to_array($node->childNodes) as $child) {
            if ($child instanceof DOMText) {
                $start = $at;
                $at += strlen($child->data);
                $first = self::wordFrom($child->data, $from - $start);
                $child->data = substr(
                    $child->data,
                    $first,
                    max(0, self::wordFrom($child->data, $to - $start) - $first),
                );
                $kept = trim($child->data) !== '' || ($child->data !== '' && $any);
            } elseif ($child instanceof DOMElement) {
                $inside = $at >= $from && $at < $to;
                $kept =
                    $this->keep($child, $from, $to, $at) || ($inside && in_array($child->localName, self::SHOWN, true));
            } else {
                $kept = false;
            }
            if ($kept) {
                $any = true;
            } else {
                $node->removeChild($child);
            }
        }

        return $any;
    }

    /** The first offset from $offset on at which a word begins. */
    private static function wordFrom(string $text, int $offset): int
    {
        if ($offset <= 0) {
            return 0;
        }
        if ($offset >= strlen($text)) {
            return strlen($text);
        }
        if (ctype_space($text[$offset - 1])) {
            return $offset;
        }

        return preg_match('/\s\K\S|\s\z/', $text, $m, PREG_OFFSET_CAPTURE, $offset) === 1 ? $m[0][1] : strlen($text);
    }
}

<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading\Epub;

use DOMDocument;
use DOMElement;
use DOMNode;
use DOMXPath;
use FigPorch\Core\Reading\Reason;
use FigPorch\Core\Reading\UnreadablePublication;

/** XML that came from outside: no network, no entities of its own. */
final class Xml
{
    public const NAMESPACES = [
        'c' => 'urn:oasis:names:tc:opendocument:xmlns:container',
        'opf' => 'http://www.idpf.org/2007/opf',
        'dc' => 'http://purl.org/dc/elements/1.1/',
        'ncx' => 'http://www.daisy.org/z3986/2005/ncx/',
        'x' => 'http://www.w3.org/1999/xhtml',
        'epub' => 'http://www.idpf.org/2007/ops',
        'enc' => 'http://www.w3.org/2001/04/xmlenc#',
    ];

    /** libxml2 compares each attribute of an element with all before it: of 60,000 it makes three minutes. */
    private const MOST_ATTRIBUTES = 4000;

    /** @throws UnreadablePublication */
    public static function parse(string $bytes, string $path): DOMDocument
    {
        $text = self::asUtf8($bytes);
        if (preg_match('/<!ENTITY/i', $text) === 1) {
            throw new UnreadablePublication(Reason::Entities, $path);
        }
        if (self::mostAttributes($text) > self::MOST_ATTRIBUTES) {
            throw new UnreadablePublication(Reason::BadXml, "{$path}: one element has thousands of attributes");
        }
        $document = new DOMDocument();
        $before = libxml_use_internal_errors(true);
        $read = $bytes !== '' && $document->loadXML($bytes, LIBXML_NONET | LIBXML_NOBLANKS | LIBXML_COMPACT);
        $error = libxml_get_last_error();
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        if (!$read || $document->documentElement === null) {
            $line = $error === false ? '' : ', line ' . $error->line . ': ' . trim($error->message);
            throw new UnreadablePublication(Reason::BadXml, $path . $line);
        }

        return $document;
    }

    /**
     * The elements that an XPath finds, with the prefixes of NAMESPACES.
     *
     * @return list<DOMElement>
     */
    public static function find(string $expression, DOMNode $below): array
    {
        $document = $below instanceof DOMDocument ? $below : $below->ownerDocument;
        if ($document === null) {
            return [];
        }
        $xpath = new DOMXPath($document);
        foreach (self::NAMESPACES as $prefix => $uri) {
            $xpath->registerNamespace($prefix, $uri);
        }
        $found = [];
        foreach ($xpath->query($expression, $below) ?: [] as $node) {
            if ($node instanceof DOMElement) {
                $found[] = $node;
            }
        }

        return $found;
    }

    /** The text of a node with white space collapsed. */
    public static function text(DOMNode $node): string
    {
        return trim(preg_replace('/\s+/u', ' ', $node->textContent) ?? '');
    }

    /**
     * Not more than there can be in one tag: from one "<" to the next, which no attribute may hold, signs that give
     * one.
     */
    private static function mostAttributes(string $text): int
    {
        $most = 0;
        for ($at = strpos($text, '<'); $at !== false; $at = $next) {
            $next = strpos($text, '<', $at + 1);
            $length = ($next === false ? strlen($text) : $next) - $at;
            if ($length > self::MOST_ATTRIBUTES * strlen(' a=""')) {
                $most = max($most, (int) preg_match_all('/=\s*["\']/', substr($text, $at, $length)));
            }
        }

        return $most;
    }

    /** UTF-16 documents are looked at as UTF-8, or a declaration could hide in them. */
    private static function asUtf8(string $bytes): string
    {
        return match (substr($bytes, 0, 2)) {
            "\xFE\xFF" => mb_convert_encoding($bytes, 'UTF-8', 'UTF-16BE'),
            "\xFF\xFE" => mb_convert_encoding($bytes, 'UTF-8', 'UTF-16LE'),
            default => str_replace("\0", '', $bytes),
        };
    }

    /**
     * The body of an XHTML document, as far as it can be read, with the named entities of HTML, which EPUB 2 allows and
     * XML alone does not know.
     */
    public static function body(string $source): ?DOMElement
    {
        if (self::mostAttributes($source) > self::MOST_ATTRIBUTES) {
            return null;
        }
        $document = new DOMDocument();
        $document->recover = true;
        $before = libxml_use_internal_errors(true);
        $document->loadXML(
            (string) preg_replace_callback(
                '/&(?!(?:amp|lt|gt|quot|apos);)[a-z]\w+;/i',
                fn(array $m): string => html_entity_decode($m[0], ENT_HTML5, 'UTF-8'),
                $source,
            ),
            LIBXML_NONET,
        );
        libxml_clear_errors();
        libxml_use_internal_errors($before);

        return $document->getElementsByTagName('body')->item(0);
    }
}

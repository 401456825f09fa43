<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Lcp;

use DOMDocument;
use DOMElement;
use DOMNode;
use FigPorch\Core\Reading\Epub\Href;
use FigPorch\Core\Reading\Epub\Xml;
use LogicException;

/**
 * Which files of an EPUB are encrypted, and what tells readers so: META-INF/encryption.xml (EPUB 3.3, 4.2.6.3.2), with
 * the content key in the licence document beside it (LCP 1.0, 2.3).
 */
final class EpubEncryption
{
    public const LICENCE = 'META-INF/license.lcpl';

    public const DECLARED_IN = 'META-INF/encryption.xml';

    private const KEY = 'license.lcpl#/encryption/content_key';

    private const KEY_TYPE = 'http://readium.org/2014/01/lcp#EncryptedContentKey';

    private const COMPRESSION = 'http://www.idpf.org/2016/encryption#compression';

    private const DSIG = 'http://www.w3.org/2000/09/xmldsig#';

    /** What ZIP calls them, and the compression property after it. */
    private const STORED = '0';

    private const DEFLATED = '8';

    /**
     * @param  list<string>  $paths  of all files
     * @param  callable(string): string  $read  a file, by its path
     * @return list<string> the paths of those that are encrypted: all but what LCP says must not be (2.3), and fonts
     *     that are obfuscated already
     */
    public static function paths(array $paths, callable $read): array
    {
        $clear = ['mimetype' => true];
        foreach (in_array(self::DECLARED_IN, $paths, true) ? self::declared($read(self::DECLARED_IN)) : [] as $path) {
            $clear[$path] = true;
        }
        foreach (self::packages($read) as $package) {
            $clear[$package] = true;
            foreach (self::wayfinding(Xml::parse($read($package), $package), $package) as $path) {
                $clear[$path] = true;
            }
        }

        return array_values(
            array_filter(
                $paths,
                fn(string $path): bool => !isset($clear[$path]) && !str_starts_with($path, 'META-INF/'),
            ),
        );
    }

    /**
     * @param  string|null  $before  the file as it is, where there is one
     * @param  array<string, array{bytes: int, deflated: bool}>  $encrypted  by path, as they were before
     */
    public static function declaration(?string $before, array $encrypted): string
    {
        $document = $before === null ? new DOMDocument('1.0', 'UTF-8') : Xml::parse($before, self::DECLARED_IN);
        $root =
            $document->documentElement ??
            $document->appendChild($document->createElementNS(Xml::NAMESPACES['c'], 'encryption'));
        foreach ($encrypted as $path => $of) {
            $data = self::add($root, 'enc:EncryptedData');
            self::add($data, 'enc:EncryptionMethod', ['Algorithm' => ContentCipher::ALGORITHM]);
            self::add(self::add($data, 'ds:KeyInfo'), 'ds:RetrievalMethod', [
                'URI' => self::KEY,
                'Type' => self::KEY_TYPE,
            ]);
            self::add(self::add($data, 'enc:CipherData'), 'enc:CipherReference', [
                'URI' => implode('/', array_map(rawurlencode(...), explode('/', (string) $path))),
            ]);
            $property = self::add(self::add($data, 'enc:EncryptionProperties'), 'enc:EncryptionProperty');
            self::add($property, 'comp:Compression', [
                'Method' => $of['deflated'] ? self::DEFLATED : self::STORED,
                'OriginalLength' => (string) $of['bytes'],
            ]);
        }

        return (string) $document->saveXML();
    }

    /** @return list<string> what an encryption.xml names already */
    private static function declared(string $xml): array
    {
        return self::resolved(
            '',
            array_map(
                fn(DOMElement $of): string => $of->getAttribute('URI'),
                Xml::find('//enc:CipherReference', Xml::parse($xml, self::DECLARED_IN)),
            ),
        );
    }

    /**
     * @param  callable(string): string  $read
     * @return list<string>
     */
    private static function packages(callable $read): array
    {
        $container = 'META-INF/container.xml';

        return self::resolved(
            '',
            array_map(
                fn(DOMElement $of): string => $of->getAttribute('full-path'),
                Xml::find('//c:rootfile', Xml::parse($read($container), $container)),
            ),
        );
    }

    /** @return list<string> contents and cover of a package */
    private static function wayfinding(DOMDocument $package, string $at): array
    {
        $cover = (Xml::find('//opf:meta[@name="cover"]', $package)[0] ?? null)?->getAttribute('content');
        $found = [];
        foreach (Xml::find('//opf:manifest/opf:item', $package) as $item) {
            $properties = explode(' ', $item->getAttribute('properties'));
            $type = $item->getAttribute('media-type');
            if (
                array_intersect($properties, ['nav', 'cover-image']) !== [] ||
                $type === 'application/x-dtbncx+xml' ||
                ($item->getAttribute('id') === $cover && str_starts_with($type, 'image/'))
            ) {
                $found[] = $item->getAttribute('href');
            }
        }

        return self::resolved($at, $found);
    }

    /**
     * @param  list<string>  $hrefs
     * @return list<string> paths
     */
    private static function resolved(string $at, array $hrefs): array
    {
        return array_values(
            array_filter(
                array_map(fn(string $href): ?string => Href::resolve($at, $href), $hrefs),
                fn(?string $path): bool => $path !== null,
            ),
        );
    }

    /** @param  array<string, string>  $attributes */
    private static function add(DOMNode $to, string $name, array $attributes = []): DOMElement
    {
        $namespace = match (strstr($name, ':', true)) {
            'enc' => Xml::NAMESPACES['enc'],
            'ds' => self::DSIG,
            default => self::COMPRESSION,
        };
        $element = $to->ownerDocument?->createElementNS($namespace, $name);
        $element instanceof DOMElement || throw new LogicException("{$name} has no document.");
        foreach ($attributes as $attribute => $value) {
            $element->setAttribute($attribute, $value);
        }
        $to->appendChild($element);

        return $element;
    }
}

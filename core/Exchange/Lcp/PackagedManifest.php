<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Lcp;

/**
 * The manifest of a protected audiobook or PDF (LCP 1.0, 2.4; readium.org/webpub-manifest with its profiles): the files
 * in their order, each saying how it is encrypted.
 */
final class PackagedManifest
{
    public const NAME = 'manifest.json';

    public const LICENCE = 'license.lcpl';

    public const AUDIOBOOK = 'https://readium.org/webpub-manifest/profiles/audiobook';

    public const PDF = 'https://readium.org/webpub-manifest/profiles/pdf';

    private const SCHEME = 'http://readium.org/2014/01/lcp';

    /**
     * @param  array<string, mixed>  $metadata
     * @param  list<array{href: string, type: string, bytes: int, title?: string, duration?: float}>  $order  what is
     *     played or read, each encrypted
     * @param  list<array{href: string, type: string, bytes: int}>  $beside  what is encrypted, too
     * @param  array{href: string, type: string}|null  $cover  as it is
     */
    public static function of(array $metadata, string $profile, array $order, array $beside, ?array $cover): string
    {
        return json_encode(
            [
                '@context' => 'https://readium.org/webpub-manifest/context.jsonld',
                'metadata' => [...$metadata, 'conformsTo' => $profile],
                'readingOrder' => array_map(self::encrypted(...), $order),
                'resources' => [
                    ...array_map(self::encrypted(...), $beside),
                    ...$cover === null ? [] : [[...$cover, 'rel' => 'cover']],
                ],
            ],
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION,
        );
    }

    /**
     * @param  array{href: string, type: string, bytes: int, title?: string, duration?: float}  $of
     * @return array<string, mixed>
     */
    private static function encrypted(array $of): array
    {
        $properties = [
            'encrypted' => [
                'scheme' => self::SCHEME,
                'profile' => LicenceDocument::PROFILE,
                'algorithm' => ContentCipher::ALGORITHM,
                'compression' => 'none',
                'originalLength' => $of['bytes'],
            ],
        ];
        unset($of['bytes']);
        $of['href'] = implode('/', array_map(rawurlencode(...), explode('/', $of['href'])));

        return [...$of, 'properties' => $properties];
    }
}

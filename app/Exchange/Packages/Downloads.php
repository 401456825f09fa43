<?php

declare(strict_types=1);

namespace App\Exchange\Packages;

use App\Exchange\Lcp\PackProtected;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Exchange\Lcp\LicenceDocument;
use FigPorch\Core\Lending\DownloadRight;

/** The files in which a loan can be had, as its licence says. */
final class Downloads
{
    /** All that there are. */
    public const KINDS = ['epub', 'pdf', 'package', 'files', 'protected', 'lcpl'];

    /** @return array<string, string> kind => what its name ends with */
    public static function kinds(Format $format, string $mediaType, DownloadRight $right): array
    {
        return match ($right) {
            DownloadRight::None => [],
            DownloadRight::Protected => PackProtected::kinds($format, $mediaType),
            DownloadRight::Open => PackPublication::kinds($mediaType),
        };
    }

    /**
     * What a reading application takes, by kind: of a protected file its licence alone, by which it fetches the file.
     *
     * @return array<string, non-empty-list<string>> media types, each of what the one before leads to
     */
    public static function forApps(Format $format, string $mediaType, DownloadRight $right): array
    {
        $kinds = array_keys(self::kinds($format, $mediaType, $right));

        return $right === DownloadRight::Protected
            ? array_fill_keys(array_intersect($kinds, ['lcpl']), [
                LicenceDocument::TYPE,
                PackProtected::type($mediaType),
            ])
            : array_map(
                fn(string $type): array => [$type],
                array_intersect_key(PackPublication::TYPES, array_flip($kinds)),
            );
    }
}

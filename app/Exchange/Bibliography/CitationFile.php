<?php

declare(strict_types=1);

namespace App\Exchange\Bibliography;

use FigPorch\Core\Catalogue\Citation\BibTex;
use FigPorch\Core\Catalogue\Citation\CitedTitle;
use FigPorch\Core\Catalogue\Citation\CslJson;
use FigPorch\Core\Catalogue\Citation\Ris;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** Titles as reference managers read them: RIS, BibTeX, CSL-JSON. */
final class CitationFile
{
    /** By what a file's name ends with. */
    public const TYPES = [
        'ris' => 'application/x-research-info-systems',
        'bib' => 'application/x-bibtex',
        'json' => 'application/vnd.citationstyles.csl+json',
    ];

    /**
     * @param  string  $kind  of TYPES
     * @param  list<CitedTitle>  $titles
     */
    public static function text(string $kind, array $titles): string
    {
        return match ($kind) {
            'ris' => implode('', array_map(Ris::of(...), $titles)),
            'bib' => implode("\n", array_map(BibTex::of(...), $titles)),
            default => (string) json_encode(
                array_map(CslJson::of(...), $titles),
                JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRETTY_PRINT,
            ),
        };
    }

    /**
     * @param  string  $kind  of TYPES
     * @param  list<CitedTitle>  $titles
     */
    public static function answer(string $kind, array $titles, string $name): Response
    {
        return response(self::text($kind, $titles))->withHeaders([
            'Content-Type' => self::TYPES[$kind] . '; charset=UTF-8',
            'Content-Disposition' => 'attachment; filename="' . (Str::slug($name) ?: 'titles') . ".{$kind}\"",
            'Cache-Control' => 'private, no-store',
        ]);
    }
}

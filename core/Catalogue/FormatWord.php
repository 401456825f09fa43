<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

/** Words by which people name a format in a search, in the languages that pages are in. */
final class FormatWord
{
    private const WORDS = [
        'ebook' => Format::Ebook,
        'ebooks' => Format::Ebook,
        'audiobook' => Format::Audiobook,
        'audiobooks' => Format::Audiobook,
        'audiolibro' => Format::Audiobook,
        'audiolibros' => Format::Audiobook,
        'magazine' => Format::Magazine,
        'magazines' => Format::Magazine,
        'revista' => Format::Magazine,
        'revistas' => Format::Magazine,
        'music' => Format::Music,
        'album' => Format::Music,
        'albums' => Format::Music,
        'musica' => Format::Music,
        'video' => Format::Video,
        'videos' => Format::Video,
        'film' => Format::Video,
        'films' => Format::Video,
        'pelicula' => Format::Video,
        'peliculas' => Format::Video,
        'website' => Format::Website,
        'websites' => Format::Website,
        'database' => Format::Website,
        'databases' => Format::Website,
    ];

    /** @param  string  $word  folded */
    public static function of(string $word): ?Format
    {
        return self::WORDS[$word] ?? null;
    }
}

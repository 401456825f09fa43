<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue\Query;

use FigPorch\Core\Catalogue\SearchWords;

/** What part of a record a word must stand in. */
enum Field: string
{
    case Title = 'title';
    case Author = 'author';
    case Narrator = 'narrator';
    case Contributor = 'contributor';
    case Series = 'series';
    case Subject = 'subject';
    case Publisher = 'publisher';
    case Award = 'award';
    case Isbn = 'isbn';
    case Language = 'lang';
    case Year = 'year';
    case Level = 'level';

    /** As they are called in Spanish, folded, and by longer names. */
    private const ALSO = [
        'titulo' => self::Title,
        'autor' => self::Author,
        'autora' => self::Author,
        'narrador' => self::Narrator,
        'narradora' => self::Narrator,
        'persona' => self::Contributor,
        'serie' => self::Series,
        'materia' => self::Subject,
        'editorial' => self::Publisher,
        'premio' => self::Award,
        'language' => self::Language,
        'idioma' => self::Language,
        'ano' => self::Year,
        'nivel' => self::Level,
    ];

    /** The field that somebody calls so; null for none. */
    public static function named(string $name): ?self
    {
        $folded = SearchWords::fold($name);

        return self::tryFrom($folded) ?? (self::ALSO[$folded] ?? null);
    }

    /** Whether its values are numbers, of which a range can be asked. */
    public function isRange(): bool
    {
        return $this === self::Year || $this === self::Level;
    }
}

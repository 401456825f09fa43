<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading;

/** Someone who made the publication. */
final readonly class Creator
{
    /**
     * @param  string  $role a word of ours: author, narrator, illustrator, translator, editor, artist, composer,
     *     director, cast, contributor
     */
    public function __construct(public string $name, public string $sortName, public string $role) {}

    /** MARC relator codes, as EPUB uses them (id.loc.gov/vocabulary/relators), in our words. */
    public static function roleFromMarc(string $code, string $otherwise): string
    {
        return match (strtolower(trim($code))) {
            'aut', 'cre' => 'author',
            'nrt' => 'narrator',
            'ill' => 'illustrator',
            'trl' => 'translator',
            'edt' => 'editor',
            'art', 'pht' => 'artist',
            'cmp' => 'composer',
            'drt' => 'director',
            'act', 'prf' => 'cast',
            '' => $otherwise,
            default => 'contributor',
        };
    }
}

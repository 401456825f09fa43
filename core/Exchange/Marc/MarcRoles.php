<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Marc;

/** What somebody did: MARC relator codes ($4) and terms ($e) (loc.gov/marc/relators), from memory. */
final class MarcRoles
{
    public const CODES = [
        'author' => 'aut',
        'narrator' => 'nrt',
        'illustrator' => 'ill',
        'translator' => 'trl',
        'editor' => 'edt',
        'artist' => 'prf',
        'composer' => 'cmp',
        'director' => 'drt',
        'cast' => 'act',
        'contributor' => 'ctb',
    ];

    private const TERMS = [
        'author' => 'author',
        'narrator' => 'narrator',
        'illustrator' => 'illustrator',
        'translator' => 'translator',
        'editor' => 'editor',
        'artist' => 'performer',
        'composer' => 'composer',
        'director' => 'film director',
        'cast' => 'actor',
        'contributor' => 'contributor',
    ];

    /** Others than ours, and the one of ours that they come to. */
    private const ALIKE = [
        'art' => 'artist',
        'sng' => 'artist',
        'mus' => 'artist',
        'itr' => 'artist',
        'cnd' => 'artist',
        'fmd' => 'director',
        'aui' => 'contributor',
        'edc' => 'editor',
        'com' => 'editor',
        'adp' => 'author',
        'cre' => 'author',
        'lbt' => 'author',
        'pht' => 'illustrator',
        'ins' => 'cast',
        'spk' => 'narrator',
        'voc' => 'narrator',
    ];

    private const ALIKE_TERMS = [
        'artist' => 'artist',
        'singer' => 'artist',
        'musician' => 'artist',
        'conductor' => 'artist',
        'instrumentalist' => 'artist',
        'reader' => 'narrator',
        'read by' => 'narrator',
        'voice actor' => 'cast',
        'director' => 'director',
        'film director' => 'director',
        'compiler' => 'editor',
        'editor of compilation' => 'editor',
        'photographer' => 'illustrator',
        'creator' => 'author',
        'writer' => 'author',
    ];

    public static function term(string $role): string
    {
        return self::TERMS[$role] ?? 'contributor';
    }

    /** The role that a field's $4 and $e say; $default where they say none that is known. */
    public static function of(MarcField $field, string $default): string
    {
        foreach ($field->all('4') as $code) {
            // Also as an address: http://id.loc.gov/vocabulary/relators/aut
            $code = strtolower(basename($code));
            $role = array_search($code, self::CODES, true) ?: self::ALIKE[$code] ?? null;
            if ($role !== null) {
                return $role;
            }
        }
        foreach ($field->all('e') as $term) {
            $term = mb_strtolower(trim($term, ' .,;:'));
            $role = array_search($term, self::TERMS, true) ?: self::ALIKE_TERMS[$term] ?? null;
            if ($role !== null) {
                return $role;
            }
        }

        return $default;
    }
}

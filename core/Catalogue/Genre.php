<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

/** Fiction or not, as the subjects of a record say it (common practice, no source). */
final class Genre
{
    /**
     * @param  list<string>  $subjects
     * @return bool|null null where none of them says
     */
    public static function isFiction(array $subjects): ?bool
    {
        $says = null;
        foreach ($subjects as $subject) {
            if (preg_match('/\bnon-?\s?fiction\b|\bno ficción\b/iu', $subject) === 1) {
                return false;
            }
            $says = $says ?? (preg_match('/\bfiction\b|\bficción\b/iu', $subject) === 1 ? true : null);
        }

        return $says;
    }
}

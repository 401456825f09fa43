<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Marc;

use FigPorch\Core\Catalogue\Citation\Name;
use FigPorch\Core\Catalogue\Format;

/** Who made what a MARC record describes: 1XX and 7XX. */
final class MarcPeople
{
    /**
     * @return list<array{name: string, sort: string, role: string}>
     */
    public static function of(MarcRecord $of, Format $format): array
    {
        $people = [];
        foreach ($of->fields('100', '110', '111', '700', '710', '711') as $field) {
            // A work that is named within, and its author, made nothing here.
            $sort = $field->get('a');
            if ($sort === null || ($field->tag[0] === '7' && $field->get('t') !== null)) {
                continue;
            }
            $sort = trim($sort . ' ' . implode(' ', $field->all('b')), ' ,');
            $role = MarcRoles::of($field, $field->tag[0] === '1' ? self::main($format) : 'contributor');
            $person = [
                'name' => $field->get('9') ?? Name::fromSorted($sort)->natural(),
                'sort' => $sort,
                'role' => $role,
            ];
            in_array($person, $people, true) || ($people[] = $person);
        }

        return $people;
    }

    /** What who stands first has done, where the record does not say (common practice, no source). */
    private static function main(Format $format): string
    {
        return match ($format) {
            Format::Music => 'artist',
            Format::Video => 'director',
            default => 'author',
        };
    }
}

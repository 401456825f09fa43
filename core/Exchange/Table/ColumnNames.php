<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Table;

use FigPorch\Core\Catalogue\RecordText;
use FigPorch\Core\Exchange\UnreadableRecord;

/** What the columns of somebody else's table are: "Obra=name", "Escrito por=author". */
final class ColumnNames
{
    /**
     * @param  list<string>  $said
     * @return array<string, string> columns of ours by what they are called there
     *
     * @throws UnreadableRecord where one is no column of ours
     */
    public static function of(array $said): array
    {
        $columns = [];
        foreach ($said as $one) {
            [$there, $ours] = array_map(trim(...), explode('=', $one, 2) + [1 => '']);
            if (!RecordTable::isColumn($ours)) {
                throw new UnreadableRecord('“:column” is no column. There are: :known.', [
                    'column' => $ours === '' ? $there : $ours,
                    'known' => implode(', ', self::known()),
                ]);
            }
            $columns[$there] = $ours;
        }

        return $columns;
    }

    /** @return list<string> */
    private static function known(): array
    {
        $ours = array_diff(RecordTable::COLUMNS, ['key', 'contributors', 'holdings', 'links', 'accessibility']);

        return [...$ours, ...RecordTable::ELSEWHERE, ...RecordText::ROLES];
    }
}

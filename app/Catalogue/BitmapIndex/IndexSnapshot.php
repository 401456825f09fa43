<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapIndex;

use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\TitleSet;
use Illuminate\Support\Facades\DB;

/**
 * What every search asks first, in one question: what was gathered last, the stems of its words, and the titles that
 * are called just so.
 */
final readonly class IndexSnapshot
{
    /**
     * @param  array<string, array{string, string, string}>  $stems  of each word in English, in Spanish, and as it is;
     *     but for what the database takes for more than a word
     */
    private function __construct(public BitmapIndex $gathering, public array $stems, public TitleSet $called) {}

    /**
     * @param  list<string>  $words  of which stems are wanted
     * @param  string  $name  of titles that are wanted, whatever its capitals
     * @return self|null null where nothing is gathered that could be believed
     */
    public static function at(DateTimeImmutable $now, array $words = [], string $name = ''): ?self
    {
        $row = (array) DB::selectOne('select * from search_first(?, ?, ?, ?)', [
            Sql::timestamp($now),
            BitmapIndex::MOST_LOOSE + 1,
            $words === [] ? '{}' : '{"' . implode('","', $words) . '"}',
            $name,
        ]);
        $gathering = BitmapIndex::of(
            json_decode($row['gathered'] ?? '[]'),
            json_decode($row['loose']),
            json_decode($row['changed']),
        );

        return $gathering === null
            ? null
            : new self(
                $gathering,
                json_decode($row['stems'] ?? '[]', true),
                TitleSet::of(json_decode($row['called'] ?? '[]')),
            );
    }
}

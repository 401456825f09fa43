<?php

declare(strict_types=1);

namespace Tests\Core\Catalogue;

use FigPorch\Core\Catalogue\Query\All;
use FigPorch\Core\Catalogue\Query\Any;
use FigPorch\Core\Catalogue\Query\Clause;
use FigPorch\Core\Catalogue\Query\Clauses;
use FigPorch\Core\Catalogue\Query\Field;
use FigPorch\Core\Catalogue\Query\Joined;
use FigPorch\Core\Catalogue\Query\Matching;
use FigPorch\Core\Catalogue\Query\Node;
use FigPorch\Core\Catalogue\Query\Not;
use FigPorch\Core\Catalogue\Query\QueryParser;
use FigPorch\Core\Catalogue\Query\Range;
use FigPorch\Core\Catalogue\Query\Term;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** A query as rows of a form, and back. */
final class ClausesTest extends TestCase
{
    private const WORDS = ['ada', 'bo', 'cy', 'di', 'ed'];

    /** @return iterable<string, array{string, list<string>, string}> a query, its rows, what is left over */
    public static function queries(): iterable
    {
        yield 'nothing' => ['', [], ''];
        yield 'words of one field stand together' => [
            'low water author:tamsin author:ebbing "the sea" -garden',
            ['and all low water', 'and author all tamsin ebbing', 'and row the sea', 'not all garden'],
            '',
        ];
        yield 'one or the other' => ['title:reed OR author:venn', ['and title all reed', 'or author all venn'], ''];
        yield 'what is widened comes first' => [
            'lantern (title:reed OR author:venn)',
            ['and title all reed', 'or author all venn', 'and all lantern'],
            '',
        ];
        yield 'beginnings' => ['title:lam* tide', ['and title begin lam', 'and all tide'], ''];
        yield 'a bracket of one field' => [
            'subject:(sea OR tide) -(x y)',
            ['and subject any sea tide', 'not all x y'],
            '',
        ];
        yield 'two brackets are more than rows can say' => [
            '(a OR title:b) (c OR author:d)',
            ['and all a', 'or title all b'],
            'c OR author:d',
        ];
        yield 'words in a row in any form' => ['low-water tide', ['and all tide'], 'low-water'];
        yield 'years' => ['tide year:2015-', ['and all tide'], 'year:2015-'];
        yield 'a number' => ['isbn:978-1-4028-9462-6', ['and isbn all 9781402894626'], ''];
        yield 'more than there are rows for' => [
            'a title:b c author:d e',
            ['and all a', 'and title all b', 'and all c'],
            'author:d e',
        ];
    }

    /** @param  list<string>  $rows */
    #[DataProvider('queries')]
    public function test_a_query_is_rows_as_far_as_rows_can(string $typed, array $rows, string $left): void
    {
        [$clauses, $rest] = Clauses::of(QueryParser::read($typed)->tree, 3 + (int) ($left !== 'author:d e'));
        $this->assertSame(
            [$rows, $left],
            [
                array_map(
                    fn(Clause $of): string => implode(
                        ' ',
                        array_filter([$of->joined->value, $of->field?->value, $of->matching->value, $of->words]),
                    ),
                    $clauses,
                ),
                $rest?->text() ?? '',
            ],
        );
    }

    public function test_a_number_of_a_book_is_one_however_it_is_written_and_matched(): void
    {
        foreach (Matching::cases() as $matching) {
            $this->assertSame(
                'isbn:9781402894626',
                (new Clause(' 978 1 4028 9462 6', Field::Isbn, $matching))->node()?->text(),
            );
        }
    }

    public function test_any_query_in_rows_finds_what_it_found(): void
    {
        $random = new Randomizer(new Mt19937(11));
        $inRows = 0;
        for ($n = 0; $n < 3000; $n++) {
            $tree = QueryParser::read($this->typed($random, 3))->tree;
            [$clauses, $left] = Clauses::of($tree, $random->getInt(1, 6));
            $back = QueryParser::read(Clauses::and(Clauses::node($clauses), $left)?->text() ?? '')->tree;
            $inRows += (int) ($left === null);
            for ($k = 0; $k < 12; $k++) {
                $record = $this->record($random);
                $this->assertSame(
                    $tree === null || self::fits($tree, $record),
                    $back === null || self::fits($back, $record),
                    ($tree?->text() ?? '') . ' => ' . ($back?->text() ?? ''),
                );
            }
        }
        $this->assertGreaterThan(1000, $inRows);
    }

    public function test_any_rows_find_what_they_say_read_from_top_to_bottom(): void
    {
        $random = new Randomizer(new Mt19937(12));
        $one = fn(array $of): mixed => $of[$random->getInt(0, count($of) - 1)];
        for ($n = 0; $n < 2000; $n++) {
            $clauses = array_map(
                fn(): Clause => new Clause(
                    implode(
                        ' ',
                        array_map(fn(): string => $one([...self::WORDS, '!']), range(1, $random->getInt(1, 3))),
                    ),
                    $one([null, Field::Title, Field::Author]),
                    $one(Matching::cases()),
                    $one(Joined::cases()),
                ),
                range(1, $random->getInt(1, 5)),
            );
            $back = QueryParser::read(Clauses::node($clauses)?->text() ?? '')->tree;
            for ($k = 0; $k < 12; $k++) {
                $record = $this->record($random);
                $expected = null;
                foreach ($clauses as $clause) {
                    $has = self::has($clause, $record);
                    if ($has !== null) {
                        $expected = match ($clause->joined) {
                            Joined::And => ($expected ?? true) && $has,
                            Joined::Or => ($expected ?? false) || $has,
                            Joined::Not => ($expected ?? true) && !$has,
                        };
                    }
                }
                $this->assertSame(
                    $expected ?? true,
                    $back === null || self::fits($back, $record),
                    $back?->text() ?? '',
                );
            }
        }
    }

    private function typed(Randomizer $random, int $deep): string
    {
        $one = fn(array $of): string => $of[$random->getInt(0, count($of) - 1)];
        $word = $one(['', '', 'title:', 'author:']) . $one([...self::WORDS, '"ada bo"', 'a*', 'bo-cy', '"di"']);
        if ($deep === 0) {
            return $word;
        }
        $some = fn(): array => array_map(
            fn(): string => $this->typed($random, $deep - 1),
            range(1, $random->getInt(1, 3)),
        );

        return match ($random->getInt(0, 5)) {
            0 => '(' . implode(' OR ', $some()) . ')',
            1 => '-(' . implode(' ', $some()) . ')',
            2 => "-{$word}",
            3 => implode(' OR ', $some()),
            4 => implode(' ', $some()),
            default => $word,
        };
    }

    /** @return array{title: list<string>, author: list<string>} */
    private function record(Randomizer $random): array
    {
        $some = fn(): array => array_map(
            fn(): string => self::WORDS[$random->getInt(0, count(self::WORDS) - 1)],
            range(1, $random->getInt(1, 4)),
        );

        return ['title' => $some(), 'author' => $some()];
    }

    /** @param  array{title: list<string>, author: list<string>}  $record */
    private static function fits(Node $node, array $record): bool
    {
        $each = fn(array $parts): array => array_map(fn(Node $of): bool => self::fits($of, $record), $parts);

        return $node->visit(
            all: fn(All $all): bool => !in_array(false, $each($all->parts), true),
            any: fn(Any $any): bool => in_array(true, $each($any->parts), true),
            not: fn(Not $not): bool => !self::fits($not->part, $record),
            range: fn(Range $range): bool => true,
            term: fn(Term $term): bool => self::stands($term->words, $term->field, $term->begins, $record),
        );
    }

    /**
     * Whether words stand in a row somewhere.
     *
     * @param  list<string>  $words
     * @param  array{title: list<string>, author: list<string>}  $record
     */
    private static function stands(array $words, ?Field $field, bool $begins, array $record): bool
    {
        $pattern = '/ ' . implode(' ', $words) . ($begins ? '' : ' ') . '/';
        foreach ($record as $name => $of) {
            if (($field === null || $field->value === $name) && preg_match($pattern, ' ' . implode(' ', $of) . ' ')) {
                return true;
            }
        }

        return false;
    }

    /**
     * What a row says, without making a query of it; null where it says nothing.
     *
     * @param  array{title: list<string>, author: list<string>}  $record
     */
    private static function has(Clause $clause, array $record): ?bool
    {
        $words = array_values(array_diff(explode(' ', $clause->words), ['!', '']));
        if ($words === []) {
            return null;
        }
        if ($clause->matching === Matching::InARow) {
            return self::stands($words, $clause->field, false, $record);
        }
        $has = array_map(
            fn(string $word): bool => self::stands(
                [$word],
                $clause->field,
                $clause->matching === Matching::Beginnings,
                $record,
            ),
            $words,
        );

        return $clause->matching === Matching::Any ? in_array(true, $has, true) : !in_array(false, $has, true);
    }
}

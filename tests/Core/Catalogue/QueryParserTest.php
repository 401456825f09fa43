<?php

declare(strict_types=1);

namespace Tests\Core\Catalogue;

use FigPorch\Core\Catalogue\Query\All;
use FigPorch\Core\Catalogue\Query\Any;
use FigPorch\Core\Catalogue\Query\Field;
use FigPorch\Core\Catalogue\Query\Node;
use FigPorch\Core\Catalogue\Query\Not;
use FigPorch\Core\Catalogue\Query\QueryParser;
use FigPorch\Core\Catalogue\Query\Range;
use FigPorch\Core\Catalogue\Query\Refusal;
use FigPorch\Core\Catalogue\Query\RefusalReason;
use FigPorch\Core\Catalogue\Query\Term;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class QueryParserTest extends TestCase
{
    #[DataProvider('readable')]
    public function test_what_is_typed_becomes_a_tree(string $typed, ?Node $tree): void
    {
        $query = QueryParser::read($typed);
        $this->assertEquals($tree, $query->tree);
        $this->assertNull($query->refusal);
    }

    /** @return iterable<string, array{string, Node|null}> */
    public static function readable(): iterable
    {
        $w = fn(string $word, ?Field $field = null): Term => new Term([$word], $field);
        yield 'nothing' => ['  ', null];
        yield 'nothing but signs' => ['! ?', null];
        yield 'a word' => ['Lantern', $w('lantern')];
        yield 'accents and case do not matter' => ['CAFÉ', $w('cafe')];
        yield 'all words' => ['low  water', new All([$w('low'), $w('water')])];
        yield 'AND is what stands between anyway' => ['low AND water', new All([$w('low'), $w('water')])];
        yield 'a small and is a word' => ['low and water', new All([$w('low'), $w('and'), $w('water')])];
        yield 'a phrase' => ['"Low Water"', new Term(['low', 'water'], exact: true)];
        yield 'a phrase in typographic quotes' => ['“low water”', new Term(['low', 'water'], exact: true)];
        yield 'a word in quotes is exact' => ['"lamps"', new Term(['lamps'], exact: true)];
        yield 'a beginning' => ['lant*', new Term(['lant'], begins: true)];
        yield 'a hyphen ties words' => ['well-known', new Term(['well', 'known'])];
        yield 'one or the other' => ['reef OR tide', new Any([$w('reef'), $w('tide')])];
        yield 'one or the other, in Spanish' => ['lobos O perros', new Any([$w('lobos'), $w('perros')])];
        yield 'both, but not a third, in Spanish' => [
            'faro Y mar NO "río"',
            new All([$w('faro'), $w('mar'), new Not(new Term(['rio'], exact: true))]),
        ];
        yield 'and not, in Spanish' => ['faro Y NO mar', new All([$w('faro'), new Not($w('mar'))])];
        yield 'a name with an O' => ['Flann O Brien', new All([$w('flann'), $w('o'), $w('brien')])];
        yield 'a number with a NO' => ['mambo NO 5', new All([$w('mambo'), $w('no'), $w('5')])];
        yield 'capitals throughout' => ['LOBOS O PERROS', new All([$w('lobos'), $w('o'), $w('perros')])];
        yield 'small letters' => ['lobos o perros', new All([$w('lobos'), $w('o'), $w('perros')])];
        yield 'a letter at the end, at the start' => ['Y plan NO', new All([$w('y'), $w('plan'), $w('no')])];
        yield 'in brackets' => ['(faro O mar) luz', new All([new Any([$w('faro'), $w('mar')]), $w('luz')])];
        yield 'OR binds less than standing together' => [
            'low water OR tide',
            new Any([new All([$w('low'), $w('water')]), $w('tide')]),
        ];
        yield 'brackets' => ['low (water OR tide)', new All([$w('low'), new Any([$w('water'), $w('tide')])])];
        yield 'not' => ['lamp NOT oil', new All([$w('lamp'), new Not($w('oil'))])];
        yield 'whose it is' => ["the Islander’s lamp's", new All([$w('the'), $w('islander'), $w('lamp')])];
        // The ISBN of the ISBN Users' Manual; an ISSN of the ISSN International Centre.
        yield 'a number as it is printed' => ['978-3-16-148410-0', $w('9783161484100', Field::Isbn)];
        yield 'a number with spaces and its name' => ['ISBN 978 3 16 148410 0', $w('9783161484100', Field::Isbn)];
        yield 'a number of a magazine' => ['2049-3630', $w('20493630', Field::Isbn)];
        yield 'a number that is none' => ['978-3-16-148410-1', new Term(['978', '3', '16', '148410', '1'])];
        yield 'years after one' => ['year:>2020', new Range(Field::Year, 2021, null)];
        yield 'years up to one' => ['year:<=1999', new Range(Field::Year, null, 1999)];
        yield 'levels below one' => ['level:<5', new Range(Field::Level, null, 4.9)];
        yield 'a language by its name' => ['lang:Spanish', $w('es', Field::Language)];
        yield 'fields in Spanish' => [
            'autor:venn año:2020 idioma:inglés título:mar',
            new All([
                $w('venn', Field::Author),
                new Range(Field::Year, 2020, 2020),
                $w('en', Field::Language),
                $w('mar', Field::Title),
            ]),
        ];
        yield 'a minus' => ['lamp -oil', new All([$w('lamp'), new Not($w('oil'))])];
        yield 'a minus before a phrase' => [
            'lamp -"whale oil"',
            new All([$w('lamp'), new Not(new Term(['whale', 'oil'], exact: true))]),
        ];
        yield 'a minus before brackets' => [
            'lamp -(oil OR gas)',
            new All([$w('lamp'), new Not(new Any([$w('oil'), $w('gas')]))]),
        ];
        yield 'only a not' => ['-oil', new Not($w('oil'))];
        yield 'a field' => ['author:ebbing', $w('ebbing', Field::Author)];
        yield 'a field in capitals' => ['Author:Ebbing', $w('ebbing', Field::Author)];
        yield 'a field of a phrase' => ['title:"low water"', new Term(['low', 'water'], Field::Title, exact: true)];
        yield 'a field of brackets' => [
            'narrator:(tove OR dray)',
            new Any([$w('tove', Field::Narrator), $w('dray', Field::Narrator)]),
        ];
        yield 'a field ruled out' => [
            'lamp -narrator:dray',
            new All([$w('lamp'), new Not($w('dray', Field::Narrator))]),
        ];
        yield 'what names no field is two words' => ['undertow:water', new All([$w('undertow'), $w('water')])];
        yield 'a title with a colon' => ['Undertow: water', new All([$w('undertow'), $w('water')])];
        yield 'what only looks like an operator' => ['low OR:water', new All([$w('low'), $w('or'), $w('water')])];
        yield 'years' => ['year:2015-2020', new Range(Field::Year, 2015, 2020)];
        yield 'one year' => ['year:2015', new Range(Field::Year, 2015, 2015)];
        yield 'from a year' => ['year:2015-', new Range(Field::Year, 2015, null)];
        yield 'to a year' => ['year:-2015', new Range(Field::Year, null, 2015)];
        yield 'years the wrong way round' => ['year:2020-2015', new Range(Field::Year, 2015, 2020)];
        yield 'levels' => ['level:2.5-5', new Range(Field::Level, 2.5, 5)];
        yield 'a language' => ['lang:es', $w('es', Field::Language)];
        yield 'an ISBN-10 as its ISBN-13' => ['isbn:0-306-40615-2', $w('9780306406157', Field::Isbn)];
        yield 'another script' => ['الأمل', $w('الامل')];
    }

    /** Said why and where, and its words looked for: never an error. */
    #[DataProvider('unreadable')]
    public function test_what_cannot_be_read_is_read_as_plain_words(
        string $typed,
        string $text,
        RefusalReason $reason,
        string $near,
    ): void {
        $query = QueryParser::read($typed);
        $this->assertSame($text, $query->text());
        $this->assertSame([$reason, $near], [$query->refusal?->reason, $query->refusal?->near]);
        $this->assertSame(mb_strpos($typed, rtrim($near, '…')), $query->refusal->at ?? null);
    }

    /** @return iterable<string, array{string, string, RefusalReason, string}> */
    public static function unreadable(): iterable
    {
        $deep = str_repeat('(', 13) . 'low' . str_repeat(')', 13);
        $many = implode(' ', array_map(fn(int $n): string => "w{$n}", range(1, 33)));
        yield 'a quote that does not close' => ['é "low w', 'e low w', RefusalReason::QuoteNotClosed, '"low w'];
        yield 'a bracket that does not close' => ['🙂 (low', 'low', RefusalReason::BracketNotClosed, '(low'];
        yield 'a bracket that does not open' => ['low) sea', 'low sea', RefusalReason::BracketNotOpened, ') sea'];
        yield 'an OR at the end' => ['low OR', 'low', RefusalReason::NothingBesideOr, 'OR'];
        yield 'an OR at the start' => ['OR low', 'low', RefusalReason::NothingBesideOr, 'OR low'];
        yield 'a NOT of nothing' => ['low NOT', 'low', RefusalReason::NothingAfterNot, 'NOT'];
        yield 'a NOT before a bracket' => ['(low NOT)', 'low', RefusalReason::NothingAfterNot, 'NOT)'];
        yield 'a year in words' => ['low year:soon', 'low year soon', RefusalReason::NotANumber, 'year:soon'];
        yield 'a field of nothing' => ['low author:-(x)', 'low author x', RefusalReason::NotAValue, 'author:-(x)'];
        yield 'brackets too deep' => [$deep, 'low', RefusalReason::TooDeep, '(low)))))))))))))'];
        yield 'too many words' => [$many, (string) strstr($many, ' w25', true), RefusalReason::TooManyWords, 'w33'];
    }

    public function test_the_second_of_two_ors_is_too_many(): void
    {
        $query = QueryParser::read('low OR OR water');
        $this->assertSame('low water', $query->text());
        $this->assertEquals(new Refusal(RefusalReason::NothingBesideOr, 7, 'OR water'), $query->refusal);
        $this->assertSame(25, mb_strlen(QueryParser::read('(' . str_repeat('sea ', 20))->refusal->near ?? ''));
    }

    #[DataProvider('readable')]
    public function test_what_is_written_back_reads_as_the_same_tree(string $typed, ?Node $tree): void
    {
        $text = QueryParser::read($typed)->text();
        $this->assertEquals($tree, QueryParser::read($text)->tree, $text);
    }

    /** Whatever is typed: an answer that can be read again, and no more terms than are sought. */
    public function test_no_input_breaks_it(): void
    {
        mt_srand(11);
        $pieces = [
            'low',
            'water',
            '"',
            '(',
            ')',
            '-',
            'OR',
            'NOT',
            'AND',
            'author:',
            'year:',
            'level:',
            'x:',
            '*',
            '2015',
            '2015-2020',
            '–',
            ':',
            '“',
            '«',
            "\xff",
            "\0",
            'é',
            '漢字',
            '🙂',
            ' ',
            '  ',
            'isbn:',
            "'",
            ';',
            '\\',
            '&',
            '|',
            '!',
            '<->',
        ];
        for ($i = 0; $i < 3000; $i++) {
            $typed = '';
            for ($n = mt_rand(0, 14); $n > 0; $n--) {
                $typed .= $pieces[mt_rand(0, count($pieces) - 1)] . (mt_rand(0, 1) === 1 ? ' ' : '');
            }
            $query = QueryParser::read($typed);
            $again = QueryParser::read($query->text());
            $this->assertNull($again->refusal, "{$typed} → {$query->text()}");
            $this->assertSame($query->text(), $again->text(), $typed);
        }
    }

    public function test_long_input_is_cut_and_many_terms_are_read_as_words(): void
    {
        $query = QueryParser::read(implode(' ', array_map(fn(int $n): string => "word{$n}", range(1, 200))));
        $this->assertTrue($query->cut);
        $this->assertLessThanOrEqual(32, count($query->words()));
    }

    public function test_words_looked_for_leave_out_those_ruled_out(): void
    {
        $this->assertSame(['lamp', 'low', 'water'], QueryParser::read('lamp -oil (low OR "low water")')->words());
    }
}

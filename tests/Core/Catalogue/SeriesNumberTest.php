<?php

declare(strict_types=1);

namespace Tests\Core\Catalogue;

use FigPorch\Core\Catalogue\SearchWords;
use FigPorch\Core\Catalogue\SeriesNumber;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class SeriesNumberTest extends TestCase
{
    /** @return iterable<string, array{string, array{float, string}|null}> */
    public static function asked(): iterable
    {
        yield 'before the series' => ['book 2 far skerries', [2.0, 'far skerries']];
        yield 'after it' => ['Far Skerries, Vol. 12', [12.0, 'far skerries']];
        yield 'between' => ['far book 3 skerries', [3.0, 'far skerries']];
        yield 'in Spanish' => ['libro 2 de los escollos', [2.0, 'de los escollos']];
        yield 'with an accent' => ['Número 4 escollos', [4.0, 'escollos']];
        yield 'no number' => ['book two far skerries', null];
        yield 'a number by itself' => ['2 far skerries', null];
        yield 'nothing else' => ['book 2', null];
        yield 'a year is no number of a book that anybody has' => ['book 12026 skerries', null];
    }

    /** @param  array{float, string}|null  $read */
    #[DataProvider('asked')]
    public function test_a_number_in_a_series_is_read_as_people_ask_for_it(string $typed, ?array $read): void
    {
        $number = SeriesNumber::of(SearchWords::of($typed));
        $this->assertSame($read, $number === null ? null : [$number->number, implode(' ', $number->series)]);
    }
}

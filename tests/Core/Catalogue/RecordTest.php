<?php

declare(strict_types=1);

namespace Tests\Core\Catalogue;

use FigPorch\Core\Catalogue\AgeRange;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Genre;
use FigPorch\Core\Catalogue\PublicationDate;
use FigPorch\Core\Catalogue\Record;
use InvalidArgumentException;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What is read out of the words of a record. */
final class RecordTest extends TestCase
{
    #[TestWith(['2019', '2019'])]
    #[TestWith(['2019-02', '2019-02'])]
    #[TestWith(['2020-02-29', '2020-02-29'])]
    #[TestWith(['2019-02-29T10:00:00Z', '2019-02'])]
    #[TestWith(['2019-13-01', '2019'])]
    #[TestWith(['2019-00', '2019'])]
    #[TestWith(['c. 2019', null])]
    #[TestWith(['', null])]
    public function test_as_much_of_a_date_as_makes_sense(string $text, ?string $date): void
    {
        $this->assertSame($date, PublicationDate::read($text));
    }

    public function test_a_record_with_a_date_that_is_none_is_refused(): void
    {
        $this->expectException(InvalidArgumentException::class);
        new Record('k', Format::Ebook, 'Name', [], 1, published: '2019-02-30');
    }

    #[TestWith(['9-12', 9, 12, Audience::Child])]
    #[TestWith(['13–17', 13, 17, Audience::Teen])]
    #[TestWith(['7-', 7, 99, Audience::Child])]
    #[TestWith(['-5', 0, 5, Audience::Child])]
    public function test_ages_as_schema_org_writes_them(string $text, int $from, int $to, Audience $audience): void
    {
        $range = AgeRange::parse($text);
        $this->assertSame([$from, $to, $audience], [$range?->from, $range?->to, $range?->audience()]);
    }

    #[TestWith(['12-9'])]
    #[TestWith(['-'])]
    #[TestWith(['children'])]
    #[TestWith([null])]
    public function test_what_is_no_range_of_ages(?string $text): void
    {
        $this->assertNull(AgeRange::parse($text));
    }

    /** @param  list<string>  $subjects */
    #[TestWith([['Historical fiction', 'Boats'], true])]
    #[TestWith([['Fiction', 'Non-fiction'], false])]
    #[TestWith([['Nonfiction'], false])]
    #[TestWith([['No ficción'], false])]
    #[TestWith([['Ficción'], true])]
    #[TestWith([['Boats'], null])]
    #[TestWith([[], null])]
    public function test_fiction_or_not(array $subjects, ?bool $fiction): void
    {
        $this->assertSame($fiction, Genre::isFiction($subjects));
    }
}

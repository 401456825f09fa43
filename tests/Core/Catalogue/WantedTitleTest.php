<?php

declare(strict_types=1);

namespace Tests\Core\Catalogue;

use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\WantedTitle;
use InvalidArgumentException;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class WantedTitleTest extends TestCase
{
    public function test_a_number_is_kept_as_its_standard_counts_it(): void
    {
        // The ISBN of the example in the ISBN Users' Manual, 7th edition, and the same before 2007, from memory.
        $this->assertSame('9783161484100', (new WantedTitle('A', 'B', Format::Ebook, '978-3-16-148410-0'))->number);
        $this->assertSame('9783161484100', (new WantedTitle('A', number: '3-16-148410-X'))->number);
        $this->assertNull((new WantedTitle('A', number: ' '))->number);
    }

    /** @return iterable<string, array{string, string, string, string}> */
    public static function wrong(): iterable
    {
        yield 'no title' => ['', '', '', 'name'];
        yield 'spaces' => [' ', '', '', 'name'];
        yield 'too long' => [str_repeat('é', 201), '', '', 'name'];
        yield 'too many people' => ['A', str_repeat('é', 201), '', 'name'];
        yield 'a wrong digit' => ['A', '', '978-3-16-148410-1', 'number'];
        yield 'no number' => ['A', '', 'soon', 'number'];
    }

    #[DataProvider('wrong')]
    public function test_what_is_missing_or_wrong_is_named(
        string $name,
        string $people,
        string $number,
        string $what,
    ): void {
        $this->expectExceptionObject(new InvalidArgumentException($what));
        new WantedTitle($name, $people, null, $number);
    }
}

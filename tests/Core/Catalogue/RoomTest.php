<?php

declare(strict_types=1);

namespace Tests\Core\Catalogue;

use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Room;
use InvalidArgumentException;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class RoomTest extends TestCase
{
    public function test_the_usual_rooms_are_for_children_teens_grown_ups_and_study(): void
    {
        $this->assertSame(
            [['children', Audience::Child], ['teen', Audience::Teen], ['reading', Audience::Adult], ['study', null]],
            array_map(fn(Room $of): array => [$of->slug, $of->audience], Room::usual()),
        );
    }

    /** @return iterable<string, array{string, list<array{int, int}>|null}> */
    public static function ages(): iterable
    {
        yield 'none' => ['', []];
        yield 'as one writes them' => ['0-5, 6–8;9 - 12', [[0, 5], [6, 8], [9, 12]]];
        yield 'a line each' => ["0-5\n6-8\n\n", [[0, 5], [6, 8]]];
        yield 'one year' => ['7-7', [[7, 7]]];
        yield 'the wrong way' => ['8-6', null];
        yield 'nobody is so old' => ['1-121', null];
        yield 'a word' => ['six', null];
        yield 'half a range' => ['6-', null];
    }

    /** @param  list<array{int, int}>|null  $ages */
    #[DataProvider('ages')]
    public function test_ages_are_read_as_people_write_them_and_written_so_that_they_are_read(
        string $text,
        ?array $ages,
    ): void {
        $this->assertSame($ages, Room::readAges($text));
        if ($ages !== null) {
            $this->assertSame($ages, Room::readAges(Room::writeAges(new Room('study', ages: $ages))));
        }
    }

    public function test_a_room_has_a_name_and_an_address(): void
    {
        foreach (
            [
                ['', ['en' => 'A']],
                ['a b', ['en' => 'A']],
                ['-a', ['en' => 'A']],
                [str_repeat('a', 41), ['en' => 'A']],
                ['attic', []],
            ]
            as [$slug, $names]
        ) {
            try {
                new Room($slug, $names);
                $this->fail("'{$slug}' was taken");
            } catch (InvalidArgumentException) {
                $this->addToAssertionCount(1);
            }
        }
        $this->assertSame([], (new Room('teen'))->names, 'the usual ones have usual names');
    }
}

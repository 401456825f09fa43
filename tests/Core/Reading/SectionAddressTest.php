<?php

declare(strict_types=1);

namespace Tests\Core\Reading;

use FigPorch\Core\Reading\SectionAddress;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** A link to a section holds, whatever becomes of what stands before it. */
final class SectionAddressTest extends TestCase
{
    private const CONTENTS = [
        [0, 'Preface', 0, 0],
        [0, 'Part one'],
        [1, 'The Quay', 1, 0],
        [1, 'Notes', 2, 0],
        [1, '¿Qué pasó?', 3, 0],
        [1, 'Notes', 4, 0],
        [0, '灯台', 5, 0],
        [0, '***', 6, 0],
    ];

    #[Test]
    public function each_entry_that_leads_somewhere_is_found_by_its_address(): void
    {
        foreach (self::CONTENTS as $number => $entry) {
            $address = SectionAddress::of($number, $entry[1]);
            self::assertSame(
                isset($entry[2]) ? $number : null,
                SectionAddress::find(self::CONTENTS, $address),
                $address,
            );
        }
        self::assertSame(
            ['3-the-quay', '5-que-paso', '8'],
            array_map(fn(int $n): string => SectionAddress::of($n, self::CONTENTS[$n][1]), [2, 4, 7]),
        );
    }

    #[Test]
    public function it_is_found_by_its_name_when_others_come_or_go_and_by_its_number_when_it_is_called_otherwise(): void
    {
        $later = array_slice(self::CONTENTS, 1);
        self::assertSame(1, SectionAddress::find($later, '3-the-quay'));
        // Of two of one name the nearer.
        self::assertSame([2, 4], [SectionAddress::find($later, '4-notes'), SectionAddress::find($later, '6-notes')]);
        self::assertSame(2, SectionAddress::find(self::CONTENTS, '3-the-harbour'));
        self::assertSame(2, SectionAddress::find(self::CONTENTS, '3'));
    }

    #[Test]
    public function what_is_no_address_or_leads_nowhere_is_not_found(): void
    {
        foreach (['', 'x', '0', '9', '99999999', '2', '2-part-one', "3\xFF", '-1', '3 the quay'] as $address) {
            self::assertNull(SectionAddress::find(self::CONTENTS, $address), $address);
        }
        self::assertNull(SectionAddress::find([], '1-preface'));
    }
}

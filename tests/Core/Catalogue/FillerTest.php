<?php

declare(strict_types=1);

namespace Tests\Core\Catalogue;

use FigPorch\Core\Catalogue\Filler;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Record;
use PHPUnit\Framework\TestCase;

/** What programs write where nobody said anything is not shown as a person or a description. */
final class FillerTest extends TestCase
{
    public function test_filler_is_known_whatever_stands_around_it(): void
    {
        foreach (
            ['unknown', 'Unknown', ' [Unknown] ', 'UNKNOWN AUTHOR', 'n/a', '-', '???', '', 'Desconocido.']
            as $of
        ) {
            $this->assertTrue(Filler::is($of), $of);
        }
        foreach (['Unknown Pleasures', 'Nona Ebbing', 'X', '7', '孔子', 'The Unknown', 'Nil Sand'] as $of) {
            $this->assertFalse(Filler::is($of), $of);
        }
    }

    public function test_a_record_has_none_of_it(): void
    {
        $person = fn(string $name): array => ['name' => $name, 'sort' => $name, 'role' => 'author'];
        $record = new Record(
            key: 'a',
            format: Format::Ebook,
            name: 'Unknown',
            contributors: [$person('Unknown'), $person('Tamsin Ebbing')],
            extent: 1,
            description: 'unknown',
        );
        $this->assertSame([$person('Tamsin Ebbing')], $record->contributors);
        $this->assertNull($record->description);
        $this->assertSame('Unknown', $record->name, 'a title may be called so');
    }
}

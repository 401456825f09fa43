<?php

declare(strict_types=1);

namespace Tests\Core\Catalogue;

use FigPorch\Core\Catalogue\ToldApart;
use PHPUnit\Framework\TestCase;

final class ToldApartTest extends TestCase
{
    public function test_what_differs_is_said_and_nothing_else(): void
    {
        $this->assertSame(
            [],
            ToldApart::facts(['a' => ['Low Water', ['ebook', 'English']], 'b' => ['Tides', ['ebook', '']]]),
        );
        $this->assertSame(
            ['a' => 'ebook', 'b' => 'audiobook'],
            ToldApart::facts([
                'a' => ['Low Water', ['ebook', 'English']],
                'b' => ['low water', ['audiobook', 'English']],
                'c' => ['Tides', ['ebook', 'English']],
            ]),
        );
        $this->assertSame(
            ['a' => 'English', 'b' => 'Spanish'],
            ToldApart::facts(['a' => ['Low Water', ['ebook', 'English']], 'b' => ['Low Water', ['ebook', 'Spanish']]]),
        );
        // Three of which no one fact tells all apart.
        $this->assertSame(
            ['a' => 'ebook', 'b' => 'audiobook, read by Juno', 'c' => 'audiobook, read by Maud'],
            ToldApart::facts([
                'a' => ['Low Water', ['ebook', 'English', '']],
                'b' => ['Low Water', ['audiobook', 'English', 'read by Juno']],
                'c' => ['Low Water', ['audiobook', 'English', 'read by Maud']],
            ]),
        );
        // Nothing tells them apart.
        $this->assertSame([], ToldApart::facts(['a' => ['Low Water', ['', '']], 'b' => ['Low Water', ['', '']]]));
    }
}

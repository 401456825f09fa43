<?php

declare(strict_types=1);

namespace Tests\Reference;

use FigPorch\Core\Catalogue\Isbn;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Against the worked examples of ISO 2108, as the ISBN Users' Manual gives them (values from memory). */
final class IsbnTest extends TestCase
{
    /** The manual's own examples: 978-0-571-08989-5 and 0-571-08989-5. */
    #[TestWith(['978-0-571-08989-5', '9780571089895', '0571089895'])]
    #[TestWith(['ISBN 0 571 08989 5', '9780571089895', '0571089895'])]
    #[TestWith(['urn:isbn:9780306406157', '9780306406157', '0306406152'])]
    #[TestWith(['0-8044-2957-X', '9780804429573', '080442957X'])]
    #[TestWith(['979-10-90636-07-1', '9791090636071', null])]
    public function test_both_forms(string $text, string $thirteen, ?string $ten): void
    {
        $isbn = Isbn::parse($text);
        $this->assertSame($thirteen, $isbn?->thirteen);
        $this->assertSame($ten, $isbn->ten());
    }

    #[TestWith(['978-0-571-08989-4'])]
    #[TestWith(['0-571-08989-X'])]
    #[TestWith(['9770306406157'])]
    #[TestWith(['97803064061'])]
    #[TestWith(['X306406152'])]
    #[TestWith([''])]
    public function test_wrong_check_digits_and_shapes(string $text): void
    {
        $this->assertNull(Isbn::parse($text));
    }

    public function test_one_wrong_digit_is_always_found(): void
    {
        foreach (str_split('9780571089895') as $i => $right) {
            for ($digit = 0; $digit < 10; $digit++) {
                $text = substr_replace('9780571089895', (string) $digit, $i, 1);
                $this->assertSame((string) $digit === $right, Isbn::parse($text) !== null, $text);
            }
        }
    }
}

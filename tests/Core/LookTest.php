<?php

declare(strict_types=1);

namespace Tests\Core;

use FigPorch\Core\Look\Colour;
use FigPorch\Core\Look\LibraryLook;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Colours of a library's own, which everybody must be able to read. */
final class LookTest extends TestCase
{
    /** W3C, WCAG 2.2: black on white is 21; #767676 and #777777 are its known examples around 4.5 on white. */
    public function test_contrast_is_that_of_wcag(): void
    {
        $white = $this->colour('#fff');
        $this->assertSame(21.0, round($this->colour('#000000')->contrast($white), 2));
        $this->assertSame(1.0, $white->contrast($white));
        $this->assertSame(4.54, round($this->colour('#767676')->contrast($white), 2));
        $this->assertSame(4.48, round($this->colour('777777')->contrast($white), 2));
        $this->assertSame(5.25, round($this->colour('#ff0000')->contrast($this->colour('#000')), 2));
        foreach (['', 'red', '#12345', '#1234567', '#gggggg', "#123456\n#"] as $none) {
            $this->assertNull(Colour::parse($none));
        }
    }

    public function test_what_cannot_be_read_is_said(): void
    {
        $this->assertSame([], LibraryLook::unreadable($this->colour('#1f4b56'), $this->colour('#1f4b56')));
        $unreadable = LibraryLook::unreadable($this->colour('#ffee00'), $this->colour('#888888'));
        $this->assertSame(['roof', 'door', 'paper'], array_column($unreadable, 0));
        // Enough on white, not on paper, which is darker.
        $this->assertSame(
            ['paper'],
            array_column(LibraryLook::unreadable($this->colour('#000'), $this->colour('#757575')), 0),
        );
    }

    /** Whatever is taken can be read in every pair in which it occurs, on light ground and on dark. */
    public function test_all_pairs_can_be_read_whatever_colours_are_taken(): void
    {
        $random = new Randomizer(new Mt19937(45));
        $grounds = [
            'light' => ['#fbf8f1', '#ffffff'],
            'dark' => ['#17201f', '#1d2827'],
        ];
        $taken = 0;
        for ($n = 0; $n < 2_000; $n++) {
            [$roof, $door] = array_map(fn(): Colour => $this->colour(sprintf('#%06x', $random->getInt(0, 0xffffff))), [
                0,
                1,
            ]);
            if (LibraryLook::unreadable($roof, $door) !== []) {
                continue;
            }
            $taken++;
            $look = new LibraryLook($roof, $door);
            foreach (['light' => $look->light(), 'dark' => $look->dark()] as $scheme => $tokens) {
                $white = $this->colour('#ffffff');
                foreach (['eave', 'shutter', 'shutter-dark'] as $under) {
                    $this->assertReadable($white, $this->colour($tokens[$under]), "{$scheme} {$under}");
                }
                foreach ($grounds[$scheme] as $ground) {
                    $edge = $this->colour($tokens['shutter'])->contrast($this->colour($ground));
                    $this->assertGreaterThanOrEqual(Colour::EDGE, $edge, "{$scheme} shutter on {$ground}");
                }
                foreach ([...$grounds[$scheme], $tokens['haint']] as $ground) {
                    $this->assertReadable($this->colour($tokens['act']), $this->colour($ground), "{$scheme} act");
                }
            }
        }
        $this->assertGreaterThan(100, $taken);
        $look = new LibraryLook($this->colour('#5b1a1a'), $this->colour('#7a2048'));
        $this->assertStringStartsWith(':root{--color-eave:#5b1a1a;--color-shutter:#7a2048;', $look->css());
        $this->assertStringNotContainsString('url', $look->css());
    }

    private function assertReadable(Colour $text, Colour $ground, string $where): void
    {
        $this->assertGreaterThanOrEqual(
            Colour::TEXT,
            $text->contrast($ground),
            "{$where}: {$text->hex()} on {$ground->hex()}",
        );
    }

    private function colour(string $text): Colour
    {
        return Colour::parse($text) ?? $this->fail("{$text} is a colour.");
    }
}

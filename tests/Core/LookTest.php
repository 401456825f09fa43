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

    /**
     * Every pair in which the colours of the style sheet meet, on light ground and on dark (WCAG 2.2, 1.4.3 and
     * 1.4.11).
     */
    public function test_the_colours_of_the_style_sheet_are_told_apart_wherever_they_meet(): void
    {
        $css = (string) file_get_contents(__DIR__ . '/../../resources/css/app.css');
        [$light, $dark] = [explode('@variant night', $css)[0], explode('@variant night', $css)[1]];
        $schemes = [
            'light' => $this->tokens($light, '--color-'),
            'dark' => [...$this->tokens($light, '--color-'), ...$this->tokens(explode('}', $dark)[0], '--color-')],
        ];
        $grounds = ['paper', 'card', 'board', 'lamp-wash', 'haint'];
        $text = ['ink' => $grounds, 'act' => $grounds, 'soft' => ['paper', 'card', 'board']];
        $text += [
            'clay' => ['paper', 'card'],
            'fig' => ['paper', 'card'],
            'lamp-text' => ['paper', 'card', 'lamp-wash'],
        ];
        $text['on-shutter'] = ['eave', 'shutter', 'shutter-dark'];
        $edges = ['edge' => ['paper', 'card', 'board'], 'ring' => $grounds, 'bar' => ['paper', 'card']];
        foreach ($schemes as $scheme => $tokens) {
            $colour = fn(string $name): Colour => $this->colour(
                preg_match('/^var\(--color-(.+)\)$/', $tokens[$name], $m) === 1 ? $tokens[$m[1]] : $tokens[$name],
            );
            foreach ([[$text, Colour::TEXT], [$edges, Colour::EDGE]] as [$pairs, $least]) {
                foreach ($pairs as $name => $under) {
                    foreach ($under as $ground) {
                        $this->assertGreaterThanOrEqual(
                            $least,
                            $colour($name)->contrast($colour($ground)),
                            "{$name} on {$ground}, {$scheme}",
                        );
                    }
                }
            }
        }
    }

    /** Text of a book, and text with a mark over it, on each of the reader's grounds. */
    public function test_books_are_read_on_every_ground_through_every_mark(): void
    {
        $css = (string) file_get_contents(__DIR__ . '/../../resources/css/app.css');
        preg_match_all("/\.reader(?:\[data-background='(\w+)'])? \{([^}]*--page[^}]*)\}/", $css, $blocks);
        $this->assertCount(4, $blocks[0]);
        $inside = fn(string $of): string => preg_match($of, $css, $m) === 1 ? $m[1] : $this->fail($of);
        $night = $inside("/\[data-background='night'] \{ color-scheme: dark;([^}]*)\}/");
        $day = $inside('/html \{([^}]*--pen-lamp[^}]*)\}/');
        $opacity = 0.6;
        $this->assertStringContainsString("--overlayer-highlight-opacity: {$opacity}", strtr($css, [': .' => ': 0.']));
        foreach ($blocks[1] as $n => $name) {
            $of = [...$this->tokens($blocks[2][0], '--'), ...$this->tokens($blocks[2][$n], '--')];
            [$page, $print] = [$this->colour($of['page']), $this->colour($of['print'])];
            foreach (['page', 'bar'] as $ground) {
                $this->assertReadable($print, $this->colour($of[$ground]), "print on {$ground}, {$name}");
                $this->assertReadable(
                    $this->colour($of['dim']),
                    $this->colour($of[$ground]),
                    "dim on {$ground}, {$name}",
                );
            }
            $isDark = in_array($name, ['dusk', 'night'], true);
            $pens = $this->tokens($isDark ? $night : $day, '--pen-');
            $this->assertCount(4, $pens);
            foreach ($pens as $pen => $hex) {
                // As a browser blends them (W3C, Compositing and Blending): multiply by day, screen by night.
                $marked = fn(Colour $under): Colour => $this->blended($under, $this->colour($hex), $isDark, $opacity);
                $this->assertReadable($marked($print), $marked($page), "{$pen} on {$name}");
            }
        }
    }

    private function blended(Colour $under, Colour $over, bool $screen, float $opacity): Colour
    {
        $one = fn(int $a, int $b): int => (int) round(
            $a * (1 - $opacity) + $opacity * ($screen ? 255 - ((255 - $a) * (255 - $b)) / 255 : ($a * $b) / 255),
        );

        return $this->colour(
            sprintf(
                '#%02x%02x%02x',
                $one($under->red, $over->red),
                $one($under->green, $over->green),
                $one($under->blue, $over->blue),
            ),
        );
    }

    /** @return array<string, string> value by name, of those that begin so */
    private function tokens(string $css, string $prefix): array
    {
        preg_match_all("/{$prefix}([a-z-]+): (#[0-9a-f]{6}|var\([^)]*\));/", $css, $m);

        return array_combine($m[1], $m[2]);
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

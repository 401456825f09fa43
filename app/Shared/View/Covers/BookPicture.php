<?php

declare(strict_types=1);

namespace App\Shared\View\Covers;

/** What is drawn on the cover of a book: as SVG in the lower part of 120 units by so many. */
final readonly class BookPicture
{
    public function __construct(private int $seed, private int $bottom, private string $line, private string $light) {}

    public function figs(): string
    {
        $svg = '';
        for ($i = 0; $i < 9; $i++) {
            $x = 6 + $i * 13.5;
            $y = (int) round($this->bottom - 68 - 24 * sin((M_PI * $i) / 8));
            $bend = round($x + (60 - $x) * 0.35, 1);
            $fill = ($this->seed >> $i) & 1 ? $this->light : $this->line;
            $svg .=
                "<path d=\"M60 {$this->bottom}Q{$bend} " .
                ($this->bottom - 50) .
                " {$x} {$y}\" stroke=\"{$this->line}\" stroke-width=\"2.5\" fill=\"none\"/>" .
                "<ellipse cx=\"{$x}\" cy=\"{$y}\" rx=\"5.5\" ry=\"10\" fill=\"{$fill}\"/>";
        }

        return $svg;
    }

    public function waves(): string
    {
        $svg =
            '<circle cx="' .
            (26 + ($this->seed % 66)) .
            '" cy="' .
            ($this->bottom - 74) .
            "\" r=\"15\" fill=\"{$this->light}\"/>";
        for ($i = 0; $i < 6; $i++) {
            $y = $this->bottom - 84 + $i * 14;
            $svg .=
                "<path d=\"M0 {$y}Q30 " .
                ($y - 14) .
                " 60 {$y}T120 {$y}V{$this->bottom}H0z\" fill=\"{$this->line}\" opacity=\"" .
                (0.2 + $i * 0.1) .
                '"/>';
        }

        return $svg;
    }

    public function windows(): string
    {
        $svg = '';
        for ($i = 0; $i < 20; $i++) {
            $fill = ($this->seed >> $i) & 1 ? $this->line : $this->light;
            $svg .=
                '<rect x="' .
                (10 + ($i % 5) * 21) .
                '" y="' .
                ($this->bottom - 86 + intdiv($i, 5) * 20) .
                "\" width=\"16\" height=\"15\" rx=\"2\" fill=\"{$fill}\" opacity=\"" .
                (0.5 + (($this->seed >> $i % 13) % 5) / 10) .
                '"/>';
        }

        return $svg;
    }

    public function beacon(): string
    {
        $svg = '';
        for ($i = 1; $i < 7; $i++) {
            $svg .=
                '<circle cx="' .
                (46 + ($this->seed % 28)) .
                '" cy="' .
                ($this->bottom - 42) .
                '" r="' .
                $i * 10 .
                '" fill="none" stroke="' .
                ($i % 3 ? $this->line : $this->light) .
                '" stroke-width="' .
                ($i % 2 ? 4 : 2) .
                '"/>';
        }

        return $svg;
    }

    public function hills(): string
    {
        $svg =
            '<circle cx="' .
            (84 - ($this->seed % 50)) .
            '" cy="' .
            ($this->bottom - 78) .
            "\" r=\"13\" fill=\"{$this->light}\"/>";
        foreach ([[66, 0.35], [44, 0.6], [20, 0.95]] as $n => [$height, $opacity]) {
            $y = $this->bottom - $height;
            $top = $y - 26 - (($this->seed >> $n) % 14);
            $peak = 30 + (($this->seed >> (2 * $n)) % 60);
            $svg .=
                "<path d=\"M0 {$y}L{$peak} {$top}L120 {$y}V{$this->bottom}H0z\" " .
                "fill=\"{$this->line}\" opacity=\"{$opacity}\"/>";
        }

        return $svg;
    }

    public function boat(): string
    {
        $sea = $this->bottom - 30;
        $mast = 44 + ($this->seed % 32);
        $svg =
            "<path d=\"M{$mast} " .
            ($sea - 62) .
            "V{$sea}\" stroke=\"{$this->line}\" stroke-width=\"2.5\"/>" .
            '<path d="M' .
            ($mast + 3) .
            ' ' .
            ($sea - 60) .
            'V' .
            ($sea - 12) .
            "h30z\" fill=\"{$this->light}\"/>" .
            '<path d="M' .
            ($mast - 3) .
            ' ' .
            ($sea - 50) .
            'V' .
            ($sea - 12) .
            "h-20z\" fill=\"{$this->line}\" opacity=\".8\"/>" .
            '<path d="M' .
            ($mast - 28) .
            ' ' .
            ($sea - 6) .
            "h64l-11 16h-42z\" fill=\"{$this->line}\"/>";
        for ($i = 0; $i < 4; $i++) {
            $y = $sea + 8 + $i * 7;
            $svg .=
                "<path d=\"M0 {$y}q15-6 30 0t30 0 30 0 30 0\" " .
                "stroke=\"{$this->line}\" stroke-width=\"1.6\" fill=\"none\" opacity=\".6\"/>";
        }

        return $svg;
    }

    public function kites(): string
    {
        $svg = '';
        foreach ([[28, 104, 16], [78, 84, 22], [58, 132, 13]] as $n => [$x, $y, $size]) {
            $y += $this->bottom - 180 + (($this->seed >> $n) % 12);
            $fill = $n % 2 === 0 ? $this->light : $this->line;
            $svg .=
                "<path d=\"M{$x} " .
                ($y + $size * 1.4) .
                'Q' .
                ($x + 14) .
                ' ' .
                ($y + $size * 2) .
                " {$x} {$this->bottom}\" stroke=\"{$this->line}\" stroke-width=\"1.5\" fill=\"none\"/>" .
                "<path d=\"M{$x} " .
                ($y - $size) .
                'l' .
                $size * 0.8 .
                " {$size}l-" .
                $size * 0.8 .
                ' ' .
                $size * 1.4 .
                'l-' .
                $size * 0.8 .
                ' -' .
                $size * 1.4 .
                "z\" fill=\"{$fill}\"/>";
        }

        return $svg;
    }
}

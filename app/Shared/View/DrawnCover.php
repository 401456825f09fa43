<?php

declare(strict_types=1);

namespace App\Shared\View;

use App\Models\Title;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;

/**
 * A cover drawn from what a title is: its format says how it is put together, and its name which picture and which
 * colours it has. 120 units wide.
 */
final class DrawnCover
{
    private const PALETTES = [
        ['#1f4b56', '#9cc5c9', '#e2a32b'],
        ['#6a2c4f', '#e9cdb0', '#fbf8f1'],
        ['#2f4a2a', '#c9d99a', '#e2a32b'],
        ['#7a4d22', '#f3e2c0', '#1f4b56'],
        ['#3b3f6b', '#b9c0e6', '#ee9b6b'],
        ['#a8431f', '#f6d9c4', '#1f4b56'],
        ['#20303c', '#9fb6c0', '#f3e9cf'],
    ];

    private readonly int $seed;

    private readonly string $ground;

    private readonly string $line;

    private readonly string $light;

    public function __construct(private readonly Title $title, private readonly int $bottom)
    {
        $this->seed = crc32("{$title->name}|{$title->work_id}");
        [$this->ground, $this->line, $this->light] = self::PALETTES[$this->seed % count(self::PALETTES)];
    }

    /** @param  bool  $words  with its name and people; without, where it is too small for them */
    public function svg(bool $words): string
    {
        $way = intdiv($this->seed, 7);
        $picture = match ($this->title->format) {
            Format::Magazine => $this->issue(),
            Format::Music => $way % 2 === 0 ? $this->record() : $this->strings(),
            Format::Audiobook => $this->voice(),
            Format::Video => $this->screen(),
            Format::Ebook => match (true) {
                $this->title->audience === Audience::Child => $way % 2 === 0 ? $this->kites() : $this->figs(),
                default => match ($way % 6) {
                    0 => $this->figs(),
                    1 => $this->waves(),
                    2 => $this->windows(),
                    3 => $this->beacon(),
                    4 => $this->hills(),
                    default => $this->boat(),
                },
            },
        };

        return "<rect width=\"120\" height=\"{$this->bottom}\" fill=\"{$this->ground}\"/>{$picture}" .
            ($words ? $this->words() : '');
    }

    private function figs(): string
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

    private function waves(): string
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

    private function windows(): string
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

    private function beacon(): string
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

    private function hills(): string
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
            $svg .= "<path d=\"M0 {$y}L{$peak} {$top}L120 {$y}V{$this->bottom}H0z\" fill=\"{$this->line}\" opacity=\"{$opacity}\"/>";
        }

        return $svg;
    }

    private function boat(): string
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
            $svg .= "<path d=\"M0 {$y}q15-6 30 0t30 0 30 0 30 0\" stroke=\"{$this->line}\" stroke-width=\"1.6\" fill=\"none\" opacity=\".6\"/>";
        }

        return $svg;
    }

    private function kites(): string
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

    /** A masthead's page: a picture in a frame, and what is in the issue as lines. */
    private function issue(): string
    {
        $svg =
            "<rect x=\"9\" y=\"74\" width=\"102\" height=\"62\" fill=\"{$this->line}\"/>" .
            '<circle cx="' .
            (30 + ($this->seed % 60)) .
            "\" cy=\"100\" r=\"15\" fill=\"{$this->light}\"/>" .
            "<path d=\"M9 122q25-14 51 0t51 0v14H9z\" fill=\"{$this->ground}\" opacity=\".75\"/>";
        foreach ([146, 155, 164] as $n => $y) {
            $width = 50 + (($this->seed >> (3 * $n)) % 50);
            $svg .= "<rect x=\"9\" y=\"{$y}\" width=\"{$width}\" height=\"3.5\" fill=\"{$this->line}\" opacity=\".8\"/>";
        }

        return $svg;
    }

    private function record(): string
    {
        $x = 84 - ($this->seed % 16);
        $svg = "<circle cx=\"{$x}\" cy=\"92\" r=\"50\" fill=\"{$this->line}\" opacity=\".35\"/>";
        foreach ([42, 34, 26] as $radius) {
            $svg .= "<circle cx=\"{$x}\" cy=\"92\" r=\"{$radius}\" fill=\"none\" stroke=\"{$this->ground}\" stroke-width=\"1.4\"/>";
        }

        return $svg .
            "<circle cx=\"{$x}\" cy=\"92\" r=\"15\" fill=\"{$this->light}\"/><circle cx=\"{$x}\" cy=\"92\" r=\"3\" fill=\"{$this->ground}\"/>";
    }

    private function strings(): string
    {
        $svg = '';
        for ($i = 0; $i < 6; $i++) {
            $y = 68 + $i * 9;
            $bend = (($this->seed >> $i) % 24) - 12;
            $svg .=
                "<path d=\"M0 {$y}Q60 " .
                ($y + $bend) .
                " 120 {$y}\" stroke=\"" .
                ($i % 3 === 0 ? $this->light : $this->line) .
                '" stroke-width="' .
                (1 + $i * 0.4) .
                '" fill="none"/>';
        }

        return $svg;
    }

    /** What is spoken, as bars. */
    private function voice(): string
    {
        $svg = '';
        $middle = $this->bottom - 54;
        for ($i = 0; $i < 13; $i++) {
            $height = 10 + (($this->seed >> $i) % 5) * 9 + (14 * (int) (4 - abs(6 - $i) / 2)) / 2;
            $svg .=
                '<rect x="' .
                (8 + $i * 8.2) .
                '" y="' .
                ($middle - $height / 2) .
                "\" width=\"4.6\" height=\"{$height}\" rx=\"2.3\" fill=\"" .
                ($i % 4 === 2 ? $this->light : $this->line) .
                '"/>';
        }

        return $svg;
    }

    /** A scene in the wide. */
    private function screen(): string
    {
        $top = $this->bottom - 88;

        return "<rect x=\"0\" y=\"{$top}\" width=\"120\" height=\"64\" fill=\"{$this->line}\" opacity=\".3\"/>" .
            '<circle cx="' .
            (24 + ($this->seed % 72)) .
            '" cy="' .
            ($top + 26) .
            "\" r=\"12\" fill=\"{$this->light}\"/>" .
            '<path d="M0 ' .
            ($top + 46) .
            'L' .
            (20 + (($this->seed >> 4) % 50)) .
            ' ' .
            ($top + 24) .
            'L' .
            (76 + (($this->seed >> 6) % 30)) .
            ' ' .
            ($top + 46) .
            "h44v18H0z\" fill=\"{$this->line}\" opacity=\".85\"/>" .
            "<path d=\"M0 {$top}h120M0 " .
            ($top + 64) .
            "h120\" stroke=\"{$this->light}\" stroke-width=\"1.6\"/>";
    }

    private function words(): string
    {
        $isIssue = $this->title->format === Format::Magazine;
        $lines = array_slice(
            explode("\n", wordwrap($this->title->name, $isIssue ? 12 : 14, "\n", true)),
            0,
            match (true) {
                $this->bottom === 120 || $isIssue => 2 + (int) !$isIssue,
                default => 4,
            },
        );
        $by = $this->title->people()[0][1] ?? ($this->title->edition ?? '');
        [$size, $step] = $isIssue ? [17, 18] : [14, 16];
        $svg = '<rect width="120" height="' . (26 + count($lines) * $step) . "\" fill=\"{$this->ground}\"/>";
        foreach ($lines as $i => $text) {
            $svg .=
                '<text x="9" y="' .
                (23 + $i * $step) .
                "\" font-family=\"Fraunces, Georgia, serif\" font-weight=\"600\" font-size=\"{$size}\" fill=\"#fff\">" .
                e($text) .
                '</text>';
        }

        return $svg .
            '<text x="9" y="' .
            (23 + count($lines) * $step) .
            "\" font-family=\"Atkinson, sans-serif\" font-size=\"8.5\" fill=\"{$this->line}\">" .
            e(mb_strimwidth($by, 0, 26, '…')) .
            '</text>';
    }
}

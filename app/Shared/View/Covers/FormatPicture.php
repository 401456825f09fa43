<?php

declare(strict_types=1);

namespace App\Shared\View\Covers;

/** What is drawn on the cover of what is no book, by its format: as SVG in the lower part of 120 units by so many. */
final readonly class FormatPicture
{
    public function __construct(
        private int $seed,
        private int $bottom,
        private string $ground,
        private string $line,
        private string $light,
    ) {}

    /** A masthead's page: a picture in a frame, and what is in the issue as lines. */
    public function issue(): string
    {
        $svg =
            "<rect x=\"9\" y=\"74\" width=\"102\" height=\"62\" fill=\"{$this->line}\"/>" .
            '<circle cx="' .
            (30 + ($this->seed % 60)) .
            "\" cy=\"100\" r=\"15\" fill=\"{$this->light}\"/>" .
            "<path d=\"M9 122q25-14 51 0t51 0v14H9z\" fill=\"{$this->ground}\" opacity=\".75\"/>";
        foreach ([146, 155, 164] as $n => $y) {
            $width = 50 + (($this->seed >> (3 * $n)) % 50);
            $svg .=
                "<rect x=\"9\" y=\"{$y}\" width=\"{$width}\" height=\"3.5\" " .
                "fill=\"{$this->line}\" opacity=\".8\"/>";
        }

        return $svg;
    }

    public function record(): string
    {
        $x = 84 - ($this->seed % 16);
        $svg = "<circle cx=\"{$x}\" cy=\"92\" r=\"50\" fill=\"{$this->line}\" opacity=\".35\"/>";
        foreach ([42, 34, 26] as $radius) {
            $svg .=
                "<circle cx=\"{$x}\" cy=\"92\" r=\"{$radius}\" fill=\"none\" " .
                "stroke=\"{$this->ground}\" stroke-width=\"1.4\"/>";
        }

        return $svg .
            "<circle cx=\"{$x}\" cy=\"92\" r=\"15\" fill=\"{$this->light}\"/>" .
            "<circle cx=\"{$x}\" cy=\"92\" r=\"3\" fill=\"{$this->ground}\"/>";
    }

    public function strings(): string
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
    public function voice(): string
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
    public function screen(): string
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
}

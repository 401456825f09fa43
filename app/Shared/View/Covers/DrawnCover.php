<?php

declare(strict_types=1);

namespace App\Shared\View\Covers;

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

    /** For a line of words, of the 120 that a cover is wide. */
    private const ROOM = 102;

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
        return "<rect width=\"120\" height=\"{$this->bottom}\" fill=\"{$this->ground}\"/>{$this->picture()}" .
            ($words ? $this->words() : '');
    }

    private function picture(): string
    {
        $way = intdiv($this->seed, 7);
        $book = new BookPicture($this->seed, $this->bottom, $this->line, $this->light);
        $other = new FormatPicture($this->seed, $this->bottom, $this->ground, $this->line, $this->light);

        return match ($this->title->format) {
            Format::Magazine => $other->issue(),
            Format::Music => $way % 2 === 0 ? $other->record() : $other->strings(),
            Format::Audiobook => $other->voice(),
            Format::Video => $other->screen(),
            Format::Website => $book->windows(),
            Format::Ebook, Format::Paper => match (true) {
                $this->title->audience === Audience::Child => $way % 2 === 0 ? $book->kites() : $book->figs(),
                default => match ($way % 6) {
                    0 => $book->figs(),
                    1 => $book->waves(),
                    2 => $book->windows(),
                    3 => $book->beacon(),
                    4 => $book->hills(),
                    default => $book->boat(),
                },
            },
        };
    }

    private function words(): string
    {
        $isIssue = $this->title->format === Format::Magazine;
        [$size, $step] = $isIssue ? [17, 18] : [14, 16];
        $most = match (true) {
            $isIssue => 2,
            $this->bottom === 120 => 3,
            default => 4,
        };
        $lines = CoverLines::of($this->title->name, $size, self::ROOM, $most);
        $by = $this->title->people()[0][1] ?? ($this->title->edition ?? '');
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

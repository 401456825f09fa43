<?php

declare(strict_types=1);

namespace FigPorch\Core\Reading;

use OutOfRangeException;

/**
 * The pages of a publication, numbered from 1: those of its own page list, else one for each position of 1024 bytes
 * as the Readium positions list counts them (rules §7).
 */
final readonly class Pages
{
    /**
     * @param  list<array{string, Point}>  $starts  label and beginning of each page, in order
     * @param  list<int>  $before  bytes of text before each document, and of all
     */
    private function __construct(private array $starts, private array $before) {}

    /**
     * @param  list<array{string, int, int}>  $list  label, document and offset of each page of the publication's own
     *     list
     * @param  list<array{string, int}>  $positions  path and number of positions of each document
     * @param  list<int>  $lengths  bytes of text of each document
     */
    public static function of(array $list, array $positions, array $lengths): self
    {
        $starts = [];
        $before = [0];
        foreach ($lengths as $length) {
            $before[] = end($before) + $length;
        }
        foreach ($list as [$label, $document, $offset]) {
            $starts[] = [$label, new Point($document, $offset)];
        }
        if ($starts !== []) {
            return new self($starts, $before);
        }
        foreach ($positions as $document => [, $count]) {
            for ($n = 0; $n < $count; $n++) {
                $starts[] = [
                    (string) (count($starts) + 1),
                    new Point($document, intdiv(($lengths[$document] ?? 0) * $n, $count)),
                ];
            }
        }

        return new self($starts, $before);
    }

    public function count(): int
    {
        return count($this->starts);
    }

    public function label(int $number): string
    {
        return $this->starts[$number - 1][0] ?? throw new OutOfRangeException("There is no page {$number}.");
    }

    /** The number of the page with a label; where several have it, the first. */
    public function number(string $label): ?int
    {
        $index = array_search(trim($label), array_column($this->starts, 0), true);

        return $index === false ? null : $index + 1;
    }

    /** The page on which a point is. */
    public function at(Point $point): int
    {
        $number = 1;
        foreach ($this->starts as $index => [, $start]) {
            if ($point->isBefore($start)) {
                break;
            }
            $number = $index + 1;
        }

        return $number;
    }

    /** How many pages lie before a point, the part of its own by the text that stands before it there. */
    public function before(Point $point): float
    {
        $number = $this->at($point);
        $from = $this->bytes($this->start($number));
        $until =
            $this->end($number) === null ? $this->before[count($this->before) - 1] : $this->bytes($this->end($number));
        $part = $until <= $from ? 0 : ($this->bytes($point) - $from) / ($until - $from);

        return $number - 1 + min(1, max(0, $part));
    }

    private function bytes(Point $point): int
    {
        $last = count($this->before) - 1;

        return min($this->before[min($point->document, $last)] + $point->offset, $this->before[$last]);
    }

    public function start(int $number): Point
    {
        // What stands before the first page of a list belongs to it.
        return $number === 1
            ? new Point(0)
            : $this->starts[$number - 1][1] ?? throw new OutOfRangeException("There is no page {$number}.");
    }

    /** Where a page ends and the next begins; null for the last. */
    public function end(int $number): ?Point
    {
        return $this->starts[$number][1] ?? null;
    }
}

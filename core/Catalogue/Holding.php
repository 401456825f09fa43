<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

use InvalidArgumentException;

/** Copies on paper that stand together in a library. */
final readonly class Holding
{
    public const PLACE_LETTERS = 120;

    public const CALL_LETTERS = 80;

    public const MOST_COPIES = 999;

    public const MOST_NUMBERS = 50;

    private const NUMBER_LETTERS = 40;

    public string $place;

    public string $callNumber;

    /** @var list<string> */
    public array $numbers;

    public int $copies;

    /**
     * @param  string  $place  in the library, as its people call it: "Upstairs, local history"
     * @param  string  $callNumber  on the back of the book: "599.2 GUL"; may be empty
     * @param  list<string>  $numbers  by which the library's own system knows each copy, its barcode mostly
     * @param  int  $copies  at least as many as have a number
     */
    public function __construct(string $place, string $callNumber = '', int $copies = 1, array $numbers = [])
    {
        $this->place = self::line($place, self::PLACE_LETTERS);
        $this->callNumber = self::line($callNumber, self::CALL_LETTERS);
        $numbers = array_map(fn(string $of): string => self::line($of, self::NUMBER_LETTERS), $numbers);
        $numbers = array_filter($numbers, fn(string $of): bool => $of !== '');
        $this->numbers = array_slice(array_values(array_unique($numbers)), 0, self::MOST_NUMBERS);
        $this->copies = max($copies, count($this->numbers));
        if ($this->place === '' || $copies < 1 || $copies > self::MOST_COPIES) {
            throw new InvalidArgumentException('A holding has a place and from 1 to ' . self::MOST_COPIES . ' copies.');
        }
    }

    /** Whether it is the same shelf of the same library. */
    public function isAt(self $other): bool
    {
        return $this->place === $other->place && $this->callNumber === $other->callNumber;
    }

    /** "Upstairs, 599.2 GUL, 2 copies" as a line with tabs between, as read() takes it. */
    public function written(): string
    {
        return implode("\t", [$this->place, $this->callNumber, (string) $this->copies, implode(' ', $this->numbers)]);
    }

    /** Null for what is none. */
    public static function read(string $line): ?self
    {
        [$place, $callNumber, $copies, $numbers] = [...explode("\t", $line), '', '', '', ''];
        $copies = trim($copies) === '' ? '1' : trim($copies);

        return preg_match('/^\d{1,3}$/D', $copies) === 1 && (int) $copies > 0 && trim($place) !== ''
            ? new self($place, $callNumber, (int) $copies, preg_split('/[\s,;]+/', $numbers) ?: [])
            : null;
    }

    /**
     * @param  list<self>  $all
     * @return list<self> those of one shelf together
     */
    public static function together(array $all): array
    {
        $together = [];
        foreach ($all as $of) {
            $known = $together["{$of->place}\n{$of->callNumber}"] ?? null;
            $together["{$of->place}\n{$of->callNumber}"] =
                $known === null
                    ? $of
                    : new self($of->place, $of->callNumber, min(self::MOST_COPIES, $known->copies + $of->copies), [
                        ...$known->numbers,
                        ...$of->numbers,
                    ]);
        }

        return array_values($together);
    }

    private static function line(string $text, int $letters): string
    {
        return mb_substr(trim((string) preg_replace('/\s+/u', ' ', $text)), 0, $letters);
    }
}

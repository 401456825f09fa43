<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

use GMP;
use ValueError;

/** A set of title numbers, a bit for each: what words and filters have in common is found without looking at a single title. */
final class TitleSet
{
    private const WORD_BYTES = 8;

    /** @param  int|null  $count  as far as it is known */
    private function __construct(private readonly GMP $bits, private ?int $count = null)
    {
    }

    public static function none(): self
    {
        return new self(gmp_init(0));
    }

    /** @param  array<int>  $numbers  in any order, 0 or more each */
    public static function of(array $numbers): self
    {
        if ($numbers === []) {
            return self::none();
        }
        if (min($numbers) < 0) {
            throw new ValueError('A title has no negative number.');
        }
        $bytes = str_repeat("\0", self::wholeWords(intdiv(max($numbers), 8) + 1));
        foreach ($numbers as $number) {
            $at = $number >> 3;
            $bytes[$at] = chr(ord($bytes[$at]) | 1 << ($number & 7));
        }

        return self::fromBytes($bytes);
    }

    /**
     * @param  string  $bytes  title n is bit n mod 8, from the lowest, of byte n div 8
     * @param  int|null  $count  how many they are, where that is known
     */
    public static function fromBytes(string $bytes, ?int $count = null): self
    {
        return $bytes === '' ? self::none() : new self(gmp_import(str_pad($bytes, self::wholeWords(strlen($bytes)), "\0"), self::WORD_BYTES, GMP_LSW_FIRST | GMP_LITTLE_ENDIAN), $count);
    }

    /** As fromBytes() takes it; empty for the empty set. */
    public function bytes(): string
    {
        return $this->isEmpty() ? '' : gmp_export($this->bits, self::WORD_BYTES, GMP_LSW_FIRST | GMP_LITTLE_ENDIAN);
    }

    public function and(self $other): self
    {
        return new self(gmp_and($this->bits, $other->bits));
    }

    public function or(self $other): self
    {
        return new self(gmp_or($this->bits, $other->bits));
    }

    public function without(self $other): self
    {
        return new self(gmp_and($this->bits, gmp_com($other->bits)));
    }

    public function has(int $number): bool
    {
        return gmp_testbit($this->bits, $number);
    }

    public function count(): int
    {
        return $this->count ??= gmp_popcount($this->bits);
    }

    /** How many both have: half of what they have together, less what only one has, which is quicker to count than to make what both have. */
    public function countWith(self $other): int
    {
        return intdiv($this->count() + $other->count() - gmp_hamdist($this->bits, $other->bits), 2);
    }

    public function isEmpty(): bool
    {
        return gmp_sign($this->bits) === 0;
    }

    /** @return list<int> in rising order */
    public function numbers(): array
    {
        $numbers = [];
        /** @var array<int, int> $words from 1 on */
        $words = (array) unpack('P*', $this->bytes());
        foreach ($words as $at => $word) {
            for ($number = ($at - 1) * 64; $word !== 0; $word = $word >> 1 & PHP_INT_MAX, $number++) {
                if (($word & 1) === 1) {
                    $numbers[] = $number;
                }
            }
        }

        return $numbers;
    }

    private static function wholeWords(int $bytes): int
    {
        return intdiv($bytes + self::WORD_BYTES - 1, self::WORD_BYTES) * self::WORD_BYTES;
    }
}

<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

use FFI\CData;
use ValueError;

/**
 * A set of title numbers, compressed: what words and filters have in common is found without looking at a single title.
 */
final class TitleSet
{
    private const BITS = ["\x01", "\x02", "\x04", "\x08", "\x10", "\x20", "\x40", "\x80"];

    /**
     * Fewer are found in another set by halving it, in less time than looking at each that the other has takes.
     * Measured among a million.
     */
    private const SPREAD_FROM = 1000;

    /** The same, laid out for counting, once that was asked for. */
    private ?self $spread = null;

    /**
     * @param  CData  $bitmap  freed with this object
     * @param  int|null  $count  as far as it is known
     * @param  object|null  $holder  with whose end the memory in which it lies would go
     */
    private function __construct(
        private readonly CData $bitmap,
        private ?int $count = null,
        public readonly ?object $holder = null,
    ) {}

    public function __destruct()
    {
        Roaring::library()->roaring_bitmap_free($this->bitmap);
    }

    public static function none(): self
    {
        return self::ofPacked('');
    }

    /** @param  array<int>  $numbers  in any order, each from 0 to 4,294,967,295 */
    public static function of(array $numbers): self
    {
        if ($numbers !== [] && (min($numbers) < 0 || max($numbers) > 0xffffffff)) {
            throw new ValueError('A title’s number is from 0 to 4,294,967,295.');
        }

        return self::ofPacked(pack('V*', ...$numbers));
    }

    /** @param  string  $numbers  of four bytes each, the highest first, as PostgreSQL sends them */
    public static function ofSent(string $numbers): self
    {
        return self::ofPacked(pack('V*', ...array_values((array) unpack('N*', $numbers))));
    }

    /** @param  string  $numbers  of four bytes each, the lowest first */
    private static function ofPacked(string $numbers): self
    {
        return new self(Roaring::library()->roaring_bitmap_of_ptr(intdiv(strlen($numbers), 4), $numbers));
    }

    /**
     * @param  string  $bytes  in the portable format of the RoaringFormatSpec
     *
     * @throws ValueError if they are in no such format
     */
    public static function fromBytes(string $bytes): self
    {
        return new self(
            Roaring::library()->roaring_bitmap_portable_deserialize_safe($bytes, strlen($bytes)) ??
                throw new ValueError('These bytes are no set of titles.'),
        );
    }

    /** As fromBytes() takes it. */
    public function bytes(): string
    {
        $size = Roaring::library()->roaring_bitmap_portable_size_in_bytes($this->bitmap);

        return Roaring::written(
            $size,
            fn(CData $to) => Roaring::library()->roaring_bitmap_portable_serialize($this->bitmap, $to),
        );
    }

    /**
     * A set that is read where it lies in memory.
     *
     * @param  int  $at  the address to which frozen() was put: a multiple of Roaring::ALIGNED
     * @param  int  $length  bytes
     * @param  int  $count  how many they are
     * @param  object  $holder  with whose end the memory would go: it is held on to
     */
    public static function inMemory(int $at, int $length, int $count, object $holder): self
    {
        return new self(
            Roaring::library()->roaring_bitmap_frozen_view($at, $length) ??
                throw new ValueError('No set of titles lies there.'),
            $count,
            $holder,
        );
    }

    /** As inMemory() takes it: for this kind of machine only. */
    public function frozen(): string
    {
        $size = Roaring::library()->roaring_bitmap_frozen_size_in_bytes($this->bitmap);

        return Roaring::written(
            $size,
            fn(CData $to) => Roaring::library()->roaring_bitmap_frozen_serialize($this->bitmap, $to),
        );
    }

    public function and(self $other): self
    {
        return new self(Roaring::library()->roaring_bitmap_and($this->bitmap, $other->bitmap));
    }

    public function or(self $other): self
    {
        return new self(Roaring::library()->roaring_bitmap_or($this->bitmap, $other->bitmap));
    }

    public function without(self $other): self
    {
        return new self(Roaring::library()->roaring_bitmap_andnot($this->bitmap, $other->bitmap));
    }

    public function has(int $number): bool
    {
        return Roaring::library()->roaring_bitmap_contains($this->bitmap, $number);
    }

    public function count(): int
    {
        return $this->count ??= Roaring::library()->roaring_bitmap_get_cardinality($this->bitmap);
    }

    /**
     * The same, laid out so that countWith() and and() are quick against many small sets however large this one is; for
     * nothing else.
     */
    public function forCounting(): self
    {
        return $this->count() < self::SPREAD_FROM
            ? $this
            : ($this->spread ??= new self(
                Roaring::library()->roaring_bitmap_lazy_or($this->bitmap, $this->bitmap, true),
                $this->count,
            ));
    }

    /** How many both have. */
    public function countWith(self $other): int
    {
        return Roaring::library()->roaring_bitmap_and_cardinality($this->bitmap, $other->bitmap);
    }

    /**
     * The same of a set that lies in memory, and of which nothing else is asked.
     *
     * @param  int  $at  as inMemory() takes it
     */
    public function countWithFrozen(int $at, int $length): int
    {
        $library = Roaring::library();
        $other =
            $library->roaring_bitmap_frozen_view($at, $length) ?? throw new ValueError('No set of titles lies there.');
        $count = $library->roaring_bitmap_and_cardinality($this->bitmap, $other);
        $library->roaring_bitmap_free($other);

        return $count;
    }

    /** The highest number; 0 where there is none. */
    public function highest(): int
    {
        return Roaring::library()->roaring_bitmap_maximum($this->bitmap);
    }

    public function isEmpty(): bool
    {
        return Roaring::library()->roaring_bitmap_is_empty($this->bitmap);
    }

    /** @return list<int> in rising order */
    public function numbers(): array
    {
        $numbers = Roaring::written(
            4 * $this->count(),
            fn(CData $to) => Roaring::library()->roaring_bitmap_to_uint32_array($this->bitmap, $to),
        );

        /** @var array<int, int> $unpacked from 1 on */
        $unpacked = (array) unpack('V*', $numbers);

        return array_values($unpacked);
    }

    /** @return string a bit for each number from 0 to the highest, that of the lowest number lowest in each byte */
    public function bits(): string
    {
        $bits = str_repeat("\0", $this->isEmpty() ? 0 : intdiv($this->highest(), 8) + 1);
        foreach ($this->numbers() as $number) {
            $bits[$number >> 3] = $bits[$number >> 3] | self::BITS[$number & 7];
        }

        return $bits;
    }
}

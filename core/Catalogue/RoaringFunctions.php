<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

use FFI\CData;

/** What PHP sees of the functions that Roaring declares in C; their own documentation is libroaring’s roaring.h. */
interface RoaringFunctions
{
    public function roaring_bitmap_of_ptr(int $count, string $numbers): CData;

    public function roaring_bitmap_free(CData $of): void;

    public function roaring_bitmap_and(CData $a, CData $b): CData;

    public function roaring_bitmap_or(CData $a, CData $b): CData;

    public function roaring_bitmap_lazy_or(CData $a, CData $b, bool $spread): CData;

    public function roaring_bitmap_andnot(CData $a, CData $b): CData;

    public function roaring_bitmap_and_cardinality(CData $a, CData $b): int;

    public function roaring_bitmap_get_cardinality(CData $of): int;

    public function roaring_bitmap_maximum(CData $of): int;

    public function roaring_bitmap_is_empty(CData $of): bool;

    public function roaring_bitmap_contains(CData $of, int $number): bool;

    public function roaring_bitmap_to_uint32_array(CData $of, CData $to): void;

    public function roaring_bitmap_portable_size_in_bytes(CData $of): int;

    public function roaring_bitmap_portable_serialize(CData $of, CData $to): int;

    public function roaring_bitmap_portable_deserialize_safe(string $bytes, int $length): ?CData;

    public function roaring_bitmap_frozen_size_in_bytes(CData $of): int;

    public function roaring_bitmap_frozen_serialize(CData $of, CData $to): void;

    public function roaring_bitmap_frozen_view(int $at, int $length): ?CData;
}

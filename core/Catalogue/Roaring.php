<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

use FFI;
use FFI\CData;

/** CRoaring (Debian’s libroaring0), which keeps sets of numbers compressed and works on them as they are. */
final class Roaring
{
    /** What lies in memory to be read where it lies begins at a multiple of so many bytes. */
    public const ALIGNED = 32;

    /** Arrays of numbers are given as text: their bytes, in this machine’s order. */
    private const FUNCTIONS = <<<'C'
    typedef struct roaring_bitmap_s roaring_bitmap_t;
    roaring_bitmap_t *roaring_bitmap_of_ptr(size_t count, const char *numbers);
    void roaring_bitmap_free(const roaring_bitmap_t *of);
    roaring_bitmap_t *roaring_bitmap_and(const roaring_bitmap_t *a, const roaring_bitmap_t *b);
    roaring_bitmap_t *roaring_bitmap_or(const roaring_bitmap_t *a, const roaring_bitmap_t *b);
    roaring_bitmap_t *roaring_bitmap_lazy_or(const roaring_bitmap_t *a, const roaring_bitmap_t *b, bool spread);
    roaring_bitmap_t *roaring_bitmap_andnot(const roaring_bitmap_t *a, const roaring_bitmap_t *b);
    uint64_t roaring_bitmap_and_cardinality(const roaring_bitmap_t *a, const roaring_bitmap_t *b);
    uint64_t roaring_bitmap_get_cardinality(const roaring_bitmap_t *of);
    uint32_t roaring_bitmap_maximum(const roaring_bitmap_t *of);
    bool roaring_bitmap_is_empty(const roaring_bitmap_t *of);
    bool roaring_bitmap_contains(const roaring_bitmap_t *of, uint32_t number);
    void roaring_bitmap_to_uint32_array(const roaring_bitmap_t *of, char *to);
    size_t roaring_bitmap_portable_size_in_bytes(const roaring_bitmap_t *of);
    size_t roaring_bitmap_portable_serialize(const roaring_bitmap_t *of, char *to);
    roaring_bitmap_t *roaring_bitmap_portable_deserialize_safe(const char *bytes, size_t length);
    size_t roaring_bitmap_frozen_size_in_bytes(const roaring_bitmap_t *of);
    void roaring_bitmap_frozen_serialize(const roaring_bitmap_t *of, char *to);
    const roaring_bitmap_t *roaring_bitmap_frozen_view(uintptr_t at, size_t length);
    C;

    private static ?FFI $library = null;

    /**
     * @return RoaringFunctions
     *
     * @throws FFI\Exception where the library is not installed
     */
    public static function library(): object
    {
        /** @phpstan-ignore return.type (an FFI has the functions that were declared) */
        return self::ffi();
    }

    private static function ffi(): FFI
    {
        return self::$library ??= FFI::cdef(self::FUNCTIONS, 'libroaring.so.0');
    }

    /**
     * @param  callable(CData): mixed  $write  fills a field of so many bytes
     * @return string the bytes
     */
    public static function written(int $size, callable $write): string
    {
        $field = $size > 0 ? self::ffi()->new("char[{$size}]") : null;
        if ($field === null) {
            return '';
        }
        $write($field);

        return FFI::string($field, max(0, $size));
    }
}

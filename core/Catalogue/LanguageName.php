<?php

declare(strict_types=1);

namespace FigPorch\Core\Catalogue;

use Locale;

/** Languages by what people call them, in the languages that pages are in. */
final class LanguageName
{
    private const SPOKEN = ['en', 'es'];

    /** @var array<string, string>|null code by folded name */
    private static ?array $codes = null;

    /** @return string|null the code of ISO 639-1 for "Spanish", "español" or "es"; null where none is called so */
    public static function code(string $name): ?string
    {
        return self::codes()[SearchWords::fold($name)] ?? null;
    }

    /** @return array<string, string> */
    private static function codes(): array
    {
        if (self::$codes === null) {
            self::$codes = [];
            foreach (range('a', 'z') as $first) {
                foreach (range('a', 'z') as $second) {
                    $code = $first . $second;
                    foreach (self::SPOKEN as $in) {
                        $name = (string) Locale::getDisplayLanguage($code, $in);
                        // What has no name is called by its code.
                        if ($name !== $code) {
                            self::$codes[SearchWords::fold($name)] = $code;
                            self::$codes[$code] = $code;
                        }
                    }
                }
            }
        }

        return self::$codes;
    }
}

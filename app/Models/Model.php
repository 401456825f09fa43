<?php

declare(strict_types=1);

namespace App\Models;

use BackedEnum;
use Illuminate\Database\Eloquent\Model as Eloquent;

/** What all tables' models have in common. */
abstract class Model extends Eloquent
{
    /**
     * The initializing methods of the framework's own traits. Models here have no others: they are not searched for by
     * reflection, which took a thirtieth of a small page's time. A test asks the framework.
     */
    public const INITIALIZERS = ['initializeHasAttributes'];

    protected static function bootTraits(): void
    {
        static::$traitInitializers[static::class] = self::INITIALIZERS;
    }

    /**
     * A column without a cast is given as it is, and an enum at once: looking for accessors, which nothing here has,
     * took a tenth of a page's time.
     */
    public function __get($key)
    {
        $value = $this->attributes[$key] ?? null;
        $cast = $this->casts[$key] ?? null;

        return match (true) {
            $value === null => parent::__get($key),
            $cast === null => $value,
            enum_exists($cast, false) && is_subclass_of($cast, BackedEnum::class) && !($value instanceof BackedEnum)
                => $cast::from($value),
            default => parent::__get($key),
        };
    }
}

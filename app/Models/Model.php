<?php

declare(strict_types=1);

namespace App\Models;

use BackedEnum;
use Illuminate\Database\Eloquent\Model as Eloquent;

/** What all tables' models have in common. */
abstract class Model extends Eloquent
{
    /** @var list<string>|null the initializing methods of Model's own traits */
    private static ?array $initializers = null;

    /**
     * They are the same for all models here, which have no traits of their own: searched for once, not by reflection in
     * each.
     */
    protected static function bootTraits(): void
    {
        if (self::$initializers === null) {
            parent::bootTraits();
            self::$initializers = static::$traitInitializers[static::class];
        }
        static::$traitInitializers[static::class] = self::$initializers;
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

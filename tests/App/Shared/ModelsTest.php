<?php

declare(strict_types=1);

namespace Tests\App\Shared;

use App\Models\Model;
use Closure;
use Illuminate\Database\Eloquent\Attributes\ObservedBy;
use Illuminate\Database\Eloquent\Attributes\ScopedBy;
use Illuminate\Database\Eloquent\Model as Eloquent;
use PHPUnit\Framework\Attributes\DataProvider;
use ReflectionClass;
use Tests\App\TestCase;

/** What models leave out is what the framework would have found. */
final class ModelsTest extends TestCase
{
    /** @return iterable<string, array{class-string<Model>}> */
    public static function models(): iterable
    {
        foreach (glob(__DIR__ . '/../../../app/Models/*.php') ?: [] as $file) {
            $class = 'App\\Models\\' . basename($file, '.php');
            if (is_subclass_of($class, Model::class) && !(new ReflectionClass($class))->isAbstract()) {
                yield $class => [$class];
            }
        }
    }

    /** @param  class-string<Model>  $class */
    #[DataProvider('models')]
    public function test_the_framework_finds_the_same_initializing_methods(string $class): void
    {
        $found = Closure::bind(
            static function (): array {
                forward_static_call([Eloquent::class, 'bootTraits']);

                return self::$traitInitializers[self::class];
            },
            null,
            $class,
        )();
        $this->assertSame(Model::INITIALIZERS, $found);
        $boots = array_map(fn(string $trait): string => 'boot' . class_basename($trait), class_uses_recursive($class));
        $this->assertSame(
            ['bootHasEvents', 'bootHasGlobalScopes'],
            array_values(array_filter($boots, fn(string $method): bool => method_exists($class, $method))),
            'the framework boots what models here leave out',
        );
        // Those two look for nothing else.
        $attributes = fn(string $of): array => (new ReflectionClass($class))->getAttributes($of);
        $this->assertSame([], [...$attributes(ObservedBy::class), ...$attributes(ScopedBy::class)]);
    }
}

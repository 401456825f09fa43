<?php

declare(strict_types=1);

/*
 * The framework's classes and the project's, compiled once for all workers of php-fpm. Which ones: those that a few
 * pages load, found when the application starts ("php deploy/preload.php" writes the list). So an edit shows after the
 * next start; at once where DEVELOP is set, which leaves the project's own classes out, but for those that call
 * functions of C, which PHP lets preloaded files alone do (ffi.enable = preload, as it comes).
 */

use App\Models\Library;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;

$root = dirname(__DIR__);
$var = getenv('FIGPORCH_VAR') ?: 'var';
$list = (str_starts_with($var, '/') ? $var : "{$root}/{$var}") . '/cache/preload.php';

if (PHP_SAPI === 'cli') {
    require "{$root}/vendor/autoload.php";
    $app = require "{$root}/bootstrap/app.php";
    $kernel = $app->make(Kernel::class);
    $kernel->bootstrap();
    $library = Library::query()->value('slug');
    foreach (['/up', '/', '/sign-in', '/catalogue?q=a', '/titles/1', '/porch', '/desk/sign-in'] as $page) {
        $kernel->handle(Request::create($page, cookies: ['library' => $library]));
    }
    file_put_contents(
        $list,
        '<?php return ' .
            var_export(
                array_values(
                    array_filter(
                        get_included_files(),
                        fn(string $file): bool => preg_match(
                            getenv('DEVELOP') === false
                                ? "~^{$root}/(vendor/(?!composer/|nesbot/|nunomaduro/)|app/|core/)~"
                                : "~^{$root}/vendor/(?!composer/|nesbot/|nunomaduro/)~",
                            $file,
                        ) === 1,
                    ),
                ),
                true,
            ) .
            ';',
    );
} else {
    require "{$root}/vendor/autoload.php";
    $callsC = ["{$root}/core/Catalogue/Roaring.php", "{$root}/app/Catalogue/BitmapIndex/MappedFile.php"];
    foreach (array_diff([...is_file($list) ? require $list : [], ...$callsC], get_included_files()) as $file) {
        opcache_compile_file($file);
    }
}

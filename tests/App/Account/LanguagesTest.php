<?php

declare(strict_types=1);

namespace Tests\App\Account;

use App\Shared\CachedTranslator;
use App\Shared\View\Dates;
use Illuminate\Support\Arr;
use Illuminate\Support\HtmlString;
use Illuminate\Translation\ArrayLoader;
use Illuminate\Translation\Translator;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Every sentence is in every language, with the same values to fill in and as many forms; and none stands in the files
 * unused.
 */
final class LanguagesTest extends TestCase
{
    private const FOLDER = __DIR__ . '/../../../';

    public function test_spanish_has_what_english_has(): void
    {
        foreach ((array) glob(self::FOLDER . 'lang/*/en/*.php') as $file) {
            $name = basename((string) $file, '.php');
            $english = Arr::dot(require $file);
            $spanish = Arr::dot(require dirname((string) $file, 2) . "/es/{$name}.php");
            $this->assertSame([], array_diff(array_keys($english), array_keys($spanish)), "{$name}: only in English");
            $this->assertSame([], array_diff(array_keys($spanish), array_keys($english)), "{$name}: only in Spanish");
            foreach ($english as $key => $text) {
                $this->assertSame(
                    self::values((string) $text),
                    self::values((string) $spanish[$key]),
                    "{$name}.{$key}",
                );
            }
        }
    }

    public function test_no_two_areas_have_a_file_of_the_same_name(): void
    {
        $names = array_map(
            fn(mixed $file): string => basename((string) $file),
            (array) glob(self::FOLDER . 'lang/*/en/*.php'),
        );
        $this->assertGreaterThan(10, count($names));
        $this->assertSame(array_unique($names), $names);
    }

    public function test_no_sentence_takes_another_ones_name(): void
    {
        foreach ((array) glob(self::FOLDER . 'lang/*/*/*.php') as $file) {
            preg_match_all("/^    '(\\w+)' =>/m", (string) file_get_contents((string) $file), $names);
            $this->assertSame(
                [],
                array_keys(array_filter(array_count_values($names[1]), fn(int $times): bool => $times > 1)),
                (string) $file,
            );
        }
    }

    public function test_sentences_are_filled_in_as_the_framework_does(): void
    {
        $loader = new ArrayLoader();
        $loader->addMessages('es', 'capitals', ['Of :Name', 'Of :NAME', 'Of :name, :Name', 'Of <b>name</b>']);
        $framework = new Translator($loader, 'es');
        $ours = CachedTranslator::of($framework);
        $random = new Randomizer(new Mt19937(3));
        $values = ['', '0', 7, 2.5, null, true, 'Ñandú', ':count', 'a:Name', 'of :NAME', new HtmlString('<b>x</b>')];
        $filled = 0;
        foreach ((array) glob(self::FOLDER . 'lang/*/es/*.php') as $file) {
            $group = basename((string) $file, '.php');
            $sentences = require $file;
            $loader->addMessages('es', $group, $sentences);
            foreach (Arr::dot($sentences) as $key => $line) {
                preg_match_all('/:(\w+)/', (string) $line, $places);
                $replace = [];
                foreach ($places[1] as $place) {
                    $replace[$place] = $values[$random->getInt(0, count($values) - 1)];
                }
                $filled += count($replace);
                $this->assertSame(
                    $framework->get("{$group}.{$key}", $replace),
                    $ours->get("{$group}.{$key}", $replace),
                );
            }
        }
        $this->assertGreaterThan(500, $filled);
        $bold = fn(string $of): string => "*{$of}*";
        foreach ([['name' => 'ñu'], ['name' => new HtmlString('ñu')], ['b' => $bold]] as $replace) {
            foreach (range(0, 3) as $n) {
                $this->assertSame($framework->get("capitals.{$n}", $replace), $ours->get("capitals.{$n}", $replace));
            }
        }
    }

    public function test_every_sentence_is_used(): void
    {
        $code = implode(
            '',
            array_map(fn(string $file): string => (string) file_get_contents($file), [
                ...self::files('app'),
                ...self::files('resources/views'),
                ...self::files('resources/js'),
                ...self::files('demo'),
            ]),
        );
        foreach ((array) glob(self::FOLDER . 'lang/*/en/*.php') as $file) {
            $name = basename((string) $file, '.php');
            // By sentences of core, each of which RecordsTest looks for.
            if ($name === 'record_faults') {
                continue;
            }
            foreach (array_keys(require (string) $file) as $key) {
                $this->assertTrue(
                    str_contains($code, "{$name}.{$key}") ||
                        str_contains($code, "{$name}.{\$") ||
                        preg_match("/__\('{$name}'\)[^;]*'{$key}'/", $code) === 1,
                    "{$name}.{$key} is used nowhere",
                );
            }
        }
    }

    public function test_dates_are_written_as_icu_says(): void
    {
        foreach (Dates::PATTERNS as $locale => $patterns) {
            foreach ($patterns as $skeleton => $pattern) {
                $this->assertSame(
                    (new \IntlDatePatternGenerator($locale))->getBestPattern($skeleton),
                    $pattern,
                    "{$locale} {$skeleton}",
                );
            }
        }
    }

    /** @return list<string> */
    private static function values(string $text): array
    {
        preg_match_all('/(?<![\w:]):[a-z_]+/', explode('|', $text)[substr_count($text, '|')], $m);
        $values = array_unique($m[0]);
        sort($values);

        return [...$values, (string) substr_count($text, '|')];
    }

    /** @return list<string> */
    private static function files(string $folder): array
    {
        $files = [];
        foreach (
            new \RecursiveIteratorIterator(
                new \RecursiveDirectoryIterator(self::FOLDER . $folder, \FilesystemIterator::SKIP_DOTS),
            )
            as $file
        ) {
            $files[] = (string) $file;
        }

        return $files;
    }
}

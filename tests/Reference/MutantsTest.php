<?php

declare(strict_types=1);

namespace Tests\Reference;

use PHPUnit\Framework\TestCase;

/**
 * What tests/Mutants breaks is there: code that was written anew since is asked about no more, and nobody would know.
 */
final class MutantsTest extends TestCase
{
    public function test_every_mutant_has_something_to_break(): void
    {
        $root = dirname(__DIR__, 2);
        $gone = [];
        $seen = 0;
        foreach (array_diff((array) glob("{$root}/tests/Mutants/*.php"), ["{$root}/tests/Mutants/run.php"]) as $list) {
            foreach (require (string) $list as [$file, $from]) {
                $seen++;
                str_contains((string) @file_get_contents("{$root}/{$file}"), $from) ||
                    ($gone[] = "{$file}: " . mb_substr($from, 0, 80));
            }
        }
        self::assertGreaterThan(100, $seen);
        self::assertSame([], $gone);
    }
}

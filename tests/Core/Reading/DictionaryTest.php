<?php

declare(strict_types=1);

namespace Tests\Core\Reading;

use FigPorch\Core\Reading\Dictionary\DictdFile;
use FigPorch\Core\Reading\Dictionary\Forms;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use RuntimeException;

/** The dictionaries that Debian ships, read as dictd reads them. */
final class DictionaryTest extends TestCase
{
    private const WORDNET = '/usr/share/dictd/wn';

    /** gzip reads the same file from its beginning; what is read from the middle must be the same. */
    #[Test]
    public function entries_are_what_gzip_finds_at_their_places(): void
    {
        $text = (string) gzdecode((string) file_get_contents(self::WORDNET . '.dict.dz'));
        $lines = file(self::WORDNET . '.index', FILE_IGNORE_NEW_LINES) ?: [];
        $digits = array_flip(str_split('ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/'));
        $number = fn(string $of): int => array_reduce(
            str_split($of),
            fn(int $n, string $d): int => $n * 64 + $digits[$d],
            0,
        );
        $dictionary = new DictdFile(self::WORDNET);
        foreach (range(40, count($lines) - 1, 9973) as $n) {
            [$word, $offset, $length] = explode("\t", $lines[$n]);
            self::assertContains(substr($text, $number($offset), $number($length)), $dictionary->entries($word), $word);
        }
        self::assertSame([], $dictionary->entries('.*'));
        self::assertNotSame([], $dictionary->entries('LIGHTHOUSE'));
    }

    #[Test]
    public function a_word_is_looked_for_in_its_basic_forms(): void
    {
        // The examples of morphy(7WN): "axes" may be of "ax" or "axe".
        self::assertSame(['axes', 'axe', 'ax'], Forms::of('axes', 'en'));
        foreach (
            [
                'Harbours,' => 'harbour',
                '“churches”' => 'church',
                'running' => 'run',
                'stopped' => 'stop',
                'women' => 'woman',
                'tries' => 'try',
                'Maren’s' => 'maren',
                'ice  cream' => 'ice cream',
            ]
            as $word => $form
        ) {
            self::assertContains($form, Forms::of($word, 'en'), $word);
        }
        self::assertContains('luz', Forms::of('luces', 'es'));
        self::assertSame([[], ['éire']], [Forms::of('…', 'en'), Forms::of('Éire', 'ga')]);
    }

    #[Test]
    public function what_dictzip_did_not_make_is_refused(): void
    {
        $path = sys_get_temp_dir() . '/no-dictionary-' . getmypid();
        file_put_contents("{$path}.index", "word\tA\tE\n");
        file_put_contents("{$path}.dict.dz", gzencode('word and no more'));
        try {
            self::assertTrue((new DictdFile($path))->isThere());
            $this->expectException(RuntimeException::class);
            (new DictdFile($path))->entries('word');
        } finally {
            array_map(unlink(...), ["{$path}.index", "{$path}.dict.dz"]);
        }
    }
}

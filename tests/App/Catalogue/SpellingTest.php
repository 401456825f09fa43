<?php

declare(strict_types=1);

namespace Tests\App\Catalogue;

use App\Catalogue\Suggestions\Spelling;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\TestCase;

/** Words with slips in them, against PHP's own levenshtein() over all words that there are. */
final class SpellingTest extends TestCase
{
    private const WORDS = [
        'lantern',
        'lanterns',
        'harbour',
        'harvest',
        'gannet',
        'garden',
        'gardens',
        'keeper',
        'keepers',
        'island',
        'islands',
        'lighthouse',
        'saltmarsh',
        'cinder',
        'timber',
        'winter',
        'water',
        'waiter',
        'coast',
        'coats',
        'toast',
        'нитка',
        'щука',
        'שלום',
        'пристань',
    ];

    protected function setUp(): void
    {
        parent::setUp();
        DB::table('search_words')->delete();
        foreach (self::WORDS as $n => $word) {
            DB::table('search_words')->insert(['word' => $word, 'titles' => 1 + ($n % 5)]);
        }
    }

    /** @return iterable<string, array{string, string|null}> */
    public static function slips(): iterable
    {
        yield 'one letter wrong' => ['harbaur', 'harbour'];
        yield 'one missing' => ['lghthouse', 'lighthouse'];
        yield 'one too many' => ['saltmmarsh', 'saltmarsh'];
        yield 'two neighbours changed' => ['gannte', 'gannet'];
        yield 'two wrong, found by what is left' => ['lighdhousa', 'lighthouse'];
        yield 'the first letter' => ['xinder', 'cinder'];
        yield 'another script' => ['пристань' . 'ь', 'пристань'];
        yield 'nothing is like it' => ['zzzzzz', null];
        yield 'too short' => ['gar', null];
        yield 'not words at all' => ["%'{}\\\"", null];
    }

    #[DataProvider('slips')]
    public function test_a_slip_is_forgiven(string $typed, ?string $meant): void
    {
        $this->assertSame($meant, Spelling::of($typed));
    }

    public function test_the_beginning_of_a_longer_word_is_forgiven_too(): void
    {
        $this->assertSame('lighthouse', Spelling::of('lightouse', begins: true));
        $this->assertSame('lighthouse', Spelling::of('lighthzu', begins: true));
        $this->assertNull(Spelling::of('lighthzu'));
    }

    public function test_the_nearest_of_all_words_is_found(): void
    {
        mt_srand(7);
        for ($n = 0; $n < 200; $n++) {
            $word = self::WORDS[$n % 21];
            $at = mt_rand(0, strlen($word) - 1);
            $letter = chr(mt_rand(97, 122));
            $typed = match ($n % 4) {
                0 => substr_replace($word, $letter, $at, 1),
                1 => substr_replace($word, '', $at, 1),
                2 => substr_replace($word, $letter, $at, 0),
                default => substr_replace($word, strrev(substr($word, $at, 2)), $at, 2),
            };
            $nearest = min(array_map(fn(string $known): int => levenshtein($known, $typed), self::WORDS));
            $found = Spelling::of($typed);
            $this->assertNotNull($found, "{$typed} of {$word}");
            // Two that have changed places are two slips, as levenshtein() counts them; one of them may be found where
            // another is one off.
            $this->assertSame($nearest, levenshtein($found, $typed), "{$typed} of {$word}: {$found}");
        }
    }
}

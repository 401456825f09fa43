<?php

declare(strict_types=1);

namespace Tests\Reference;

use FigPorch\Core\Catalogue\Level\ReadingLevel;
use FigPorch\Core\Catalogue\Level\Syllables;
use FigPorch\Core\Catalogue\Level\TextCounts;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** Against the npm packages syllable, flesch, flesch-kincaid and coleman-liau, which are not ours. */
final class ReadingLevelTest extends TestCase
{
    /** @return array<string, mixed> */
    private static function node(string $script, string $input): array
    {
        $process = new Process(['node', '--input-type=module', '-e', $script], __DIR__ . '/../..', input: $input);
        $process->mustRun();

        return json_decode($process->getOutput(), true, flags: JSON_THROW_ON_ERROR);
    }

    /** The same counts give the same grades, whatever they were counted from. */
    public function test_the_formulas(): void
    {
        $counts = [[100, 5, 140, 430], [57, 9, 63, 201], [412, 11, 803, 2311], [1000, 70, 1280, 4100]];
        $script = <<<'JS'
        import { readFileSync } from 'node:fs'; import { flesch } from 'flesch'; import { fleschKincaid }
            from 'flesch-kincaid'; import { colemanLiau } from 'coleman-liau'
        console.log(JSON.stringify(JSON.parse(readFileSync(0)).map(([word, sentence, syllable,
            letter]) => [flesch({ word, sentence, syllable }), fleschKincaid({ word, sentence, syllable }),
            colemanLiau({ word, sentence, letter })])))
        JS;
        foreach (self::node($script, (string) json_encode($counts)) as $i => [$ease, $kincaid, $liau]) {
            $of = new TextCounts(...$counts[$i]);
            $this->assertEqualsWithDelta($ease, ReadingLevel::fleschReadingEase($of), 0.01);
            $this->assertEqualsWithDelta($kincaid, ReadingLevel::fleschKincaid($of), 0.01);
            $this->assertEqualsWithDelta($liau, ReadingLevel::colemanLiau($of), 0.01);
        }
    }

    /**
     * Words of the demo's own books, by how often they stand there: counted as the package counts them, all but few.
     */
    public function test_syllables(): void
    {
        $text = implode(
            "\n",
            array_map(
                fn(string|false $file): string => (string) file_get_contents((string) $file),
                (array) glob(__DIR__ . '/../../demo/books/*.md'),
            ),
        );
        preg_match_all('/\b[A-Za-z]{2,}\b/', (string) preg_replace("/\p{L}+['’]\p{L}+/u", '', $text), $found);
        $often = array_count_values(array_map(strtolower(...), $found[0]));
        $theirs = self::node(
            "import { readFileSync } from 'node:fs'; import { syllable }
                from 'syllable'; console.log(JSON.stringify(Object.fromEntries(JSON.parse(readFileSync(0)).map(w =>
                [w, syllable(w)]))))",
            (string) json_encode(array_map(strval(...), array_keys($often))),
        );
        $sum = $same = $ours = $total = 0;
        foreach ($often as $word => $times) {
            $of = Syllables::of((string) $word);
            [$sum, $same] = [$sum + $times, $same + ($of === $theirs[$word] ? $times : 0)];
            [$ours, $total] = [$ours + $times * $of, $total + $times * $theirs[$word]];
        }
        $this->assertGreaterThan(5000, $sum);
        $this->assertGreaterThan(0.97, $same / $sum, 'words with the same number');
        $this->assertEqualsWithDelta(1.0, $ours / $total, 0.02, 'syllables in all');
    }

    public function test_sentences_and_short_texts(): void
    {
        $this->assertSame(3, TextCounts::of("The Light\n\nDr. Venn came. J. P. Dray went!")->sentences);
        $this->assertSame(2, TextCounts::of('Who? “Nobody,” she said…')->sentences);
        $this->assertSame([0, 0], [TextCounts::of('… 12 —')->words, TextCounts::of('')->sentences]);
        $this->assertNull(ReadingLevel::grade(TextCounts::of('Too short to say.')));
    }
}

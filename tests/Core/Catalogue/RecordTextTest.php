<?php

declare(strict_types=1);

namespace Tests\Core\Catalogue;

use FigPorch\Core\Catalogue\AgeRange;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\Record;
use FigPorch\Core\Catalogue\RecordText;
use PHPUnit\Framework\TestCase;

final class RecordTextTest extends TestCase
{
    /** A record that is written as text and read again is the same record, whatever is in it. */
    public function test_texts_lead_back_to_their_record(): void
    {
        mt_srand(4);
        $some = fn(array $of): array => array_values(array_slice($of, 0, mt_rand(0, count($of))));
        for ($round = 0; $round < 300; $round++) {
            $hasSeries = mt_rand(0, 1) === 1;
            $record = new Record(
                key: "test:{$round}",
                format: Format::cases()[mt_rand(0, 4)],
                name: ['Low Water', 'A “quoted” name', 'Мария', '小史'][mt_rand(0, 3)],
                contributors: $some([
                    ['name' => 'Tamsin Ebbing', 'sort' => 'Ebbing, Tamsin', 'role' => 'author'],
                    ['name' => 'Quay & Sons', 'sort' => 'Quay', 'role' => 'cast'],
                    ['name' => 'Tamsin Ebbing', 'sort' => 'Ebbing, Tamsin', 'role' => 'narrator'],
                ]),
                extent: mt_rand(0, 900),
                subtitle: [null, 'A ledger'][mt_rand(0, 1)],
                edition: [null, '2nd'][mt_rand(0, 1)],
                language: [null, 'en', 'pt-BR'][mt_rand(0, 2)],
                audience: Audience::cases()[mt_rand(0, 2)],
                description: [null, "Two\n\nparagraphs."][mt_rand(0, 1)],
                publisher: [null, 'Gullwing'][mt_rand(0, 1)],
                published: [null, '2024', '2024-05', '2024-05-17'][mt_rand(0, 3)],
                identifiers: $some(['9789999900010', 'urn:uuid:1', '1234-5679']),
                subjects: $some(['Tides', 'Sea — stories', 'História']),
                series: $hasSeries ? 'The Quay' : null,
                seriesPosition: $hasSeries ? [null, 1.0, 2.5, 10.25][mt_rand(0, 3)] : null,
                seconds: [null, 60][mt_rand(0, 1)],
                accessibility: [[], ['accessMode' => ['textual']]][mt_rand(0, 1)],
                awards: $some(['The Lamp']),
                works: $some(['istc:A022009000000046']),
                level: [null, 0.0, 7.5, 12.0][mt_rand(0, 3)],
                ages: AgeRange::parse([null, '9-12', '7-', '0-5'][mt_rand(0, 3)]),
            );
            [$back, $wrong] = RecordText::with($record, RecordText::of($record));
            $this->assertSame([], $wrong);
            $this->assertEquals($record, $back);
            // Another record written over this one is that record, but for what nobody edits.
            [$over] = RecordText::with($last ?? $record, RecordText::of($record));
            $this->assertSame(RecordText::of($record), RecordText::of($over));
            $last = $record;
        }
    }
}

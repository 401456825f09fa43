<?php

declare(strict_types=1);

namespace Tests\Reference;

use FigPorch\Core\Catalogue\Identifier;
use FigPorch\Core\Catalogue\IdentifierKind;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/**
 * Against the examples of the ISSN, ISMN and ISRC agencies' manuals (values from memory), and the npm packages issn and
 * isbn3.
 */
final class IdentifierTest extends TestCase
{
    /**
     * The ISSN manual's 0317-8471 and 1050-124X, the ISMN manual's M-2306-7118-7, the ISRC handbook's US-S1Z-99-00001.
     */
    #[TestWith(['ISSN 0317-8471', IdentifierKind::Issn, '03178471', '0317-8471'])]
    #[TestWith(['1050-124x', IdentifierKind::Issn, '1050124X', '1050-124X'])]
    #[TestWith(['urn:issn:0378-5955', IdentifierKind::Issn, '03785955', '0378-5955'])]
    #[TestWith(['979-0-2306-7118-7', IdentifierKind::Ismn, '9790230671187', '979-0-23067118-7'])]
    #[TestWith(['ISMN M-2306-7118-7', IdentifierKind::Ismn, '9790230671187', '979-0-23067118-7'])]
    #[TestWith(['ISRC US-S1Z-99-00001', IdentifierKind::Isrc, 'USS1Z9900001', 'US-S1Z-99-00001'])]
    #[TestWith(['0-306-40615-2', IdentifierKind::Isbn, '9780306406157', '9780306406157'])]
    public function test_numbers_of_every_kind(
        string $text,
        IdentifierKind $kind,
        string $number,
        string $written,
    ): void {
        $read = Identifier::parse($text);
        $this->assertSame([$kind, $number, $written], [$read?->kind, $read?->number, $read?->written]);
    }

    #[TestWith(['0317-8472'])]
    #[TestWith(['ISMN 0317-8471'])]
    #[TestWith(['979-0-2306-7118-6'])]
    #[TestWith(['M-2306-7118-6'])]
    #[TestWith(['USS1Z9900001'])]
    #[TestWith(['ISRC USS1Z99000'])]
    #[TestWith(['ISBN 979-0-2306-7118-7'])]
    #[TestWith([''])]
    #[TestWith(["\u{2028}"])]
    public function test_wrong_check_digits_and_shapes(string $text): void
    {
        $this->assertNull(Identifier::parse($text));
    }

    public function test_every_issn_is_judged_as_by_a_library_that_is_not_ours(): void
    {
        $texts = [];
        for ($n = 0; $n < 2000; $n++) {
            $texts[] =
                substr(sprintf('%08d', $n * 49_999 + 7), 0, 4) .
                '-' .
                substr(sprintf('%08d', $n * 49_999 + 7), 4, 3) .
                ($n % 11 === 10 ? 'X' : $n % 11);
        }
        $process = new Process(
            [
                'node',
                '--input-type=module',
                '-e',
                "import issn from 'issn'; import { readFileSync }
                    from 'node:fs'; console.log(JSON.stringify(JSON.parse(readFileSync(0)).map(text => issn(text) ===
                    true)))",
            ],
            __DIR__ . '/../..',
            input: (string) json_encode($texts),
        );
        $theirs = json_decode($process->mustRun()->getOutput(), true, flags: JSON_THROW_ON_ERROR);
        $this->assertContains(true, $theirs);
        foreach ($texts as $n => $text) {
            $this->assertSame($theirs[$n], Identifier::parse($text) !== null, $text);
        }
    }
}

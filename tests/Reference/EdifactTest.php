<?php

declare(strict_types=1);

namespace Tests\Reference;

use DateTimeImmutable;
use FigPorch\Core\Exchange\Edifact\OrderLine;
use FigPorch\Core\Exchange\Edifact\OrdersMessage;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Symfony\Component\Process\Process;

/** Orders in EDIFACT, as a reader that is not ours reads them: npm's "edifact". */
final class EdifactTest extends TestCase
{
    public function test_whatever_stands_in_a_title_comes_out_as_it_went_in(): void
    {
        $random = new Randomizer(new Mt19937(96));
        // What ISO 8859-1 has, and what it has not.
        $latin = ["'", '+', ':', '?', "\r\n", ' ', 'é', 'ß', 'a', 'B', '9', '?+', "\u{a0}"];
        $others = [...$latin, '漢', 'Ж', 'ﬁ', "\u{301}", '—', "\u{85}", '€', "\u{1f40b}"];
        $text = fn(int $length, array $of): string => implode(
            '',
            array_map(fn(): string => $of[$random->getInt(0, count($of) - 1)], range(1, $length)),
        );
        $lines = array_map(
            fn(int $n): OrderLine => new OrderLine(
                reference: (string) $n,
                ean: $n % 3 === 0 ? null : '9780306406157',
                name: $text($random->getInt(1, 90), $n % 2 === 0 ? $latin : $others),
                people: $n % 7 === 0 ? '' : $text(20, $others),
                publisher: $n % 5 === 0 ? '' : $text(20, $others),
                terms: $text($random->getInt(1, 600), $others),
                quantity: $random->getInt(1, 999),
                unitCents: $random->getInt(0, 10_000_000),
            ),
            range(1, 200),
        );
        $at = new DateTimeImmutable('2026-11-29 10:00');
        $segments = $this->read(
            new OrdersMessage(
                number: 'FP200-200',
                buyer: 'A+B',
                supplier: '4012345000009',
                currency: 'EUR',
                lines: $lines,
                at: $at,
            ),
        );
        $n = -1;
        $found = [];
        $counted = null;
        foreach ($segments as [$name, $elements]) {
            $n += $name === 'LIN' ? 1 : 0;
            $counted = $name === 'UNT' ? $elements[0][0] : $counted;
            $found[$n][$name][$elements[1][0] ?? ''] = $elements;
        }
        foreach ($lines as $n => $line) {
            $name = implode('', array_slice($found[$n]['IMD']['050'][2], 3));
            // Two components of 35 letters are all there is room for.
            $n % 2 === 1
                ? $this->assertSame(mb_substr((string) preg_replace('/(\r\n)+/', ' ', $line->name), 0, 70), $name)
                : $this->assertLessThanOrEqual(70, mb_strlen($name));
            $this->assertSame([['21', (string) $line->quantity]], $found[$n]['QTY']['']);
            $this->assertSame(sprintf('%.2f', $line->unitCents / 100), $found[$n]['PRI'][''][0][1]);
            $this->assertSame($line->ean, $found[$n]['LIN'][''][2][0] ?? null);
            $this->assertSame((string) ($n + 1), $found[$n]['RFF'][''][0][1]);
        }
        // UNT counts the segments of the message: all but UNB and UNZ.
        $this->assertSame((string) (count($segments) - 2), $counted);
    }

    /** @return list<array{string, list<list<string>>}> */
    private function read(OrdersMessage $message): array
    {
        $reader = new Process(['node', __DIR__ . '/read-edifact.cjs'], input: $message->bytes());

        return json_decode($reader->mustRun()->getOutput(), true, flags: JSON_THROW_ON_ERROR);
    }
}

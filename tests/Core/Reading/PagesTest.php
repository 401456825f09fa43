<?php

declare(strict_types=1);

namespace Tests\Core\Reading;

use FigPorch\Core\Reading\Epub\Passage;
use FigPorch\Core\Reading\Epub\Text;
use FigPorch\Core\Reading\PageAllowance;
use FigPorch\Core\Reading\Pages;
use FigPorch\Core\Reading\Point;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Pages, what may be taken of them, and what stands on them. */
final class PagesTest extends TestCase
{
    private const ONE =
        '<html xmlns="http://www.w3.org/1999/xhtml"><head><title>No ' .
        'text</title></head><body><h1>One</h1><p>The caf&eacute; <b>shuts</b> at<a id="p2"/> ' .
        'nine.</p><hr/><p>Nobody comes.</p></body></html>';

    private const TWO =
        '<html xmlns="http://www.w3.org/1999/xhtml"><body><p id="p3">Then <img src="boat.png" ' .
        'alt="A boat"/> leaves.</p></body></html>';

    #[Test]
    public function pages_asked_and_pages_taken_are_counted_once_and_parts_of_pages_as_parts(): void
    {
        // Page 4 twice, and after it half of the fifth.
        $allowance = new PageAllowance(5, [[3, 4], [2, 3], [3, 4], [4, 4.5]]);
        self::assertSame([[2.0, 4.5]], $allowance->taken);
        self::assertSame(
            [2.5, 1.5, 0.5, 0.0, 2.0],
            [
                $allowance->left(),
                $allowance->price(2, 6),
                $allowance->price(4, 5),
                $allowance->price(2.5, 4.25),
                $allowance->price(0, 2),
            ],
        );
        self::assertSame(
            [true, false, true, false],
            [$allowance->allows(2, 7), $allowance->allows(1, 7), $allowance->has(2, 4.5), $allowance->has(2, 5)],
        );
        self::assertSame([[0.0, 1.0], [2.0, 4.5]], $allowance->with(0, 1)->taken);
        self::assertTrue((new PageAllowance(null, [[0, 1]]))->allows(1, 9999));
        self::assertSame(0.0, (new PageAllowance(1, [[0, 3]]))->left());
        self::assertNull((new PageAllowance(null, [[0, 1]]))->left());
    }

    #[Test]
    public function what_is_taken_in_any_pieces_costs_what_it_covers(): void
    {
        // Against a count of thousandths of pages, by lot.
        mt_srand(20261130);
        for ($run = 0; $run < 200; $run++) {
            $allowance = new PageAllowance(30, []);
            $covered = [];
            for ($piece = 0; $piece < 12; $piece++) {
                $from = mt_rand(0, 9000);
                $until = $from + mt_rand(0, 2500);
                $new = array_diff_key(array_flip($until > $from ? range($from, $until - 1) : []), $covered);
                self::assertEqualsWithDelta(count($new) / 1000, $allowance->price($from / 1000, $until / 1000), 1e-6);
                $allowance = $allowance->with($from / 1000, $until / 1000);
                // Once more it is free, where it is not to the last digit the same, too.
                self::assertSame(0.0, $allowance->price(max(0, $from / 1000 - 1e-12), $until / 1000 + 1e-12));
                $covered += $new;
            }
            self::assertEqualsWithDelta(30 - count($covered) / 1000, $allowance->left(), 1e-6);
        }
    }

    #[Test]
    public function a_point_is_so_far_in_its_page_as_there_is_text_before_it(): void
    {
        $pages = Pages::of([['ix', 0, 0], ['1', 0, 40], ['2', 1, 10]], [['a', 1], ['b', 1]], [100, 50]);
        self::assertSame(
            // The second page runs on into the second document: 60 bytes and 10 more.
            [0.0, 0.5, 1.0, 1.0 + 60 / 70, 2.0, 3.0, 3.0],
            array_map($pages->before(...), [
                new Point(0, 0),
                new Point(0, 20),
                new Point(0, 40),
                new Point(1, 0),
                new Point(1, 10),
                new Point(1, 50),
                new Point(7, 3),
            ]),
        );
        $counted = Pages::of([], [['a', 4], ['empty', 1], ['b', 1]], [100, 0, 50]);
        self::assertSame(
            [0.48, 1.0, 4.0, 5.5],
            array_map($counted->before(...), [new Point(0, 12), new Point(0, 25), new Point(1, 0), new Point(2, 25)]),
        );
    }

    #[Test]
    public function pages_are_those_of_the_list_and_else_the_positions(): void
    {
        $listed = Pages::of([['ix', 0, 0], ['1', 0, 13], ['2', 1, 0]], [['a', 4], ['b', 1]], [100, 50]);
        self::assertSame(
            [3, 'ix', 2, null],
            [$listed->count(), $listed->label(1), $listed->number(' 1 '), $listed->number('7')],
        );
        self::assertSame(
            [1, 2, 2, 3],
            array_map($listed->at(...), [new Point(0, 12), new Point(0, 13), new Point(0, 99), new Point(1, 7)]),
        );
        self::assertEquals(
            [new Point(0, 13), new Point(1, 0), null],
            [$listed->end(1), $listed->end(2), $listed->end(3)],
        );

        $counted = Pages::of([], [['a', 4], ['b', 1]], [100, 50]);
        self::assertSame([5, '4'], [$counted->count(), $counted->label(4)]);
        self::assertEquals(
            [new Point(0, 0), new Point(0, 25), new Point(1, 0)],
            [$counted->start(1), $counted->start(2), $counted->start(5)],
        );
        self::assertSame(
            [1, 2, 4, 5],
            array_map($counted->at(...), [new Point(0, 24), new Point(0, 25), new Point(0, 99), new Point(1, 0)]),
        );
    }

    #[Test]
    public function the_parts_of_a_text_make_the_whole_and_no_word_is_cut(): void
    {
        $whole = (new Text(self::ONE))->between(0, null);
        self::assertSame(
            '<h1>One</h1><p>The café <b>shuts</b> at nine.</p><hr/><p>Nobody comes.</p>',
            str_replace('<a id="p2"/>', '', $whole),
        );
        $length = (new Text(self::ONE))->length();
        for ($cut = 0; $cut <= $length; $cut++) {
            $parts = array_map(strip_tags(...), [
                (new Text(self::ONE))->between(0, $cut),
                (new Text(self::ONE))->between($cut, null),
            ]);
            // Space at the edge of a part shows nothing, and may go.
            self::assertSame(
                'OneThecaféshutsatnine.Nobodycomes.',
                preg_replace('/\s/', '', implode('', $parts)),
                "cut at {$cut}",
            );
            foreach ($parts as $part) {
                self::assertSame(
                    [],
                    array_diff(preg_split('/\s+|(?<=[a-z])(?=[A-Z])|\./u', $part, flags: PREG_SPLIT_NO_EMPTY) ?: [], [
                        'One',
                        'The',
                        'café',
                        'shuts',
                        'at',
                        'nine',
                        'Nobody',
                        'comes',
                    ]),
                    "cut at {$cut}",
                );
            }
        }
    }

    #[Test]
    public function a_passage_goes_from_point_to_point_over_documents(): void
    {
        $read = fn(string $path): string => ['one' => self::ONE, 'two' => self::TWO][$path];
        self::assertSame(['p2' => strlen('OneThe café shuts at')], (new Text(self::ONE))->offsets(['p2', 'gone']));
        $start = new Point(0, (new Text(self::ONE))->offsets(['p2'])['p2']);
        $text = fn(array $passage): array => array_map(
            fn(array $part): array => [
                $part['path'],
                trim((string) preg_replace('/\s+/', ' ', strip_tags($part['markup'], '<img>'))),
            ],
            $passage,
        );
        self::assertSame(
            [['one', 'nine.Nobody comes.']],
            $text(Passage::of(['one', 'two'], $read, $start, new Point(1))),
        );
        self::assertSame(
            [['one', 'nine.Nobody comes.'], ['two', 'Then <img src="boat.png" alt="A boat"/> leaves.']],
            $text(Passage::of(['one', 'two'], $read, $start, null)),
        );
        self::assertSame([], Passage::of(['one'], fn(): string => 'not XML at all', new Point(0), null));
    }
}

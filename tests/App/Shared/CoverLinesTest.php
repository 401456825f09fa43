<?php

declare(strict_types=1);

namespace Tests\App\Shared;

use App\Shared\View\Covers\CoverLines;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class CoverLinesTest extends TestCase
{
    /** @param  list<string>  $lines */
    #[TestWith(['Low Water', ['Low Water']])]
    #[TestWith(['The Causeway at Saltmere', ['The Causeway', 'at Saltmere']])]
    #[TestWith(['  The   Lamp ', ['The Lamp']])]
    #[TestWith(['', []])]
    #[TestWith(['Donaudampfschifffahrtsgesellschaft', ['Donaudampfs', 'chifffahrtsges', 'ellschaft']])]
    #[TestWith(['潮が引くとき海の底', ['潮が引くとき海', 'の底']])]
    #[TestWith(['Прилив и отлив', ['Прилив и', 'отлив']])]
    public function test_a_name_is_broken_between_words_and_only_a_long_word_within(string $name, array $lines): void
    {
        $this->assertSame($lines, CoverLines::of($name, 14, 102, 4));
    }

    public function test_what_has_no_room_is_said_to_be_there(): void
    {
        $lines = CoverLines::of('The long and winding history of all the lamps on the quay', 14, 102, 3);
        $this->assertCount(3, $lines);
        $this->assertStringEndsWith('…', $lines[2]);
        $this->assertSame(['W…'], CoverLines::of('WWWWW', 14, 35, 1));
        $this->assertSame(['W', 'W'], CoverLines::of('WW', 14, 10, 4));
    }

    /** Names by lot, of many scripts, with letters that are made of several characters. */
    public function test_names_by_lot_stand_whole_or_cut_at_the_end_and_no_letter_is_cut_in_two(): void
    {
        $random = new Randomizer(new Mt19937(11));
        $letters = [
            'a',
            'W',
            'm',
            'i',
            ' ',
            ' ',
            'Ñ',
            'ß',
            'Ж',
            'ω',
            '海',
            '한',
            'ש',
            "e\u{301}",
            '👩‍👧‍👦',
            'न्',
            '—',
            '’',
            '&',
            '<',
        ];
        for ($n = 0; $n < 500; $n++) {
            $name = '';
            for ($i = $random->getInt(0, 60); $i > 0; $i--) {
                $name .= $letters[$random->getInt(0, count($letters) - 1)];
            }
            $most = $random->getInt(1, 4);
            [$size, $room] = [(float) $random->getInt(9, 20), 102.0];
            $lines = CoverLines::of($name, $size, $room, $most);
            $this->assertLessThanOrEqual($most, count($lines), $name);
            $written = (string) preg_replace('/\s|…$/u', '', implode('', $lines));
            $whole = (string) preg_replace('/\s/u', '', $name);
            $this->assertSame($written, mb_substr($whole, 0, mb_strlen($written)));
            $this->assertSame($written !== $whole, str_ends_with((string) end($lines), '…'), $name);
            preg_match_all('/\X/u', $whole, $all);
            preg_match_all('/\X/u', $written, $some);
            $this->assertSame(array_slice($all[0], 0, count($some[0])), $some[0], 'letters are whole');
            foreach ($lines as $line) {
                $this->assertTrue(mb_check_encoding($line, 'UTF-8'));
                $this->assertLessThanOrEqual($room + $size * 1.1, $size * CoverLines::width($line));
            }
        }
    }
}

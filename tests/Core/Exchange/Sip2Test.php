<?php

declare(strict_types=1);

namespace Tests\Core\Exchange;

use DateTimeImmutable;
use DateTimeZone;
use FigPorch\Core\Exchange\Sip2\ItemAnswer;
use FigPorch\Core\Exchange\Sip2\PatronAnswer;
use FigPorch\Core\Exchange\Sip2\Sip2Message;
use FigPorch\Core\Exchange\Sip2\UnreadableSip2;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/** Messages of the Standard Interchange Protocol 2.00; examples from memory of its text. */
final class Sip2Test extends TestCase
{
    public function test_the_checksum_is_that_of_the_standards_examples(): void
    {
        // "Request ACS Resend" and "Request SC Resend", which the standard prints with their checksums.
        $this->assertSame('FEF5', Sip2Message::checksum('97AZ'));
        $this->assertSame('FEF6', Sip2Message::checksum('96AZ'));
        // Whatever is summed: text and checksum together give nothing in sixteen bits.
        $random = new Randomizer(new Xoshiro256StarStar(2));
        for ($n = 0; $n < 200; $n++) {
            $text = $random->getBytes($random->getInt(1, 400));
            $sum = array_sum(array_map(ord(...), str_split($text))) + hexdec(Sip2Message::checksum($text));
            $this->assertSame(0, $sum & 0xffff);
        }
    }

    public function test_what_is_written_has_the_shape_of_a_request_and_nothing_slips_out_of_a_field(): void
    {
        $line = Sip2Message::write(
            '2300020261129    101500',
            ['AO' => 'LF', 'AA' => "1|AD9\r", 'AC' => '', 'AD' => '4071'],
            3,
        );
        $this->assertStringStartsWith('2300020261129    101500AOLF|AA1 AD9 |AC|AD4071|AY3AZ', $line);
        $this->assertStringEndsWith("\r", $line);
        $this->assertSame(1, substr_count($line, "\r"));
    }

    private static function line(string $body, int $sequence = 0): string
    {
        $text = "{$body}AY{$sequence}AZ";

        return $text . Sip2Message::checksum($text) . "\r\n";
    }

    public function test_an_answer_is_read_by_its_fixed_and_its_named_fields(): void
    {
        $line = self::line(
            '24Y   Y         00020261129    101500AOLF|AA23000103|AESorrel Oakes|BLY|CQY|AFOverdue.|AFAgain.|',
        );
        $message = Sip2Message::read($line, '24', 0);
        $this->assertSame('Y   Y         ', $message->fixed['status']);
        $this->assertSame(['Overdue.', 'Again.'], $message->fields['AF']);
        $answer = PatronAnswer::of($message, null, 'PC', new DateTimeZone('UTC'));
        $this->assertSame(
            [true, true, 'Sorrel Oakes', true, 'Overdue.'],
            [$answer->isKnown, $answer->pinFits, $answer->name, $answer->isBlocked, $answer->reason],
        );
    }

    public function test_information_goes_before_status_and_a_card_is_good_to_the_end_of_its_day(): void
    {
        $status = Sip2Message::read(self::line('24              00020261129    101500AELF|BLY|CQY|'), '24', 0);
        $information = Sip2Message::read(
            self::line(
                '64              00020261129    101500000000000000000000000000AEPerrin Vale|BEp@lantern.example|PA20280630    235900|PCTEEN|',
                1,
            ),
            '64',
            1,
        );
        $answer = PatronAnswer::of($status, $information, 'PC', new DateTimeZone('Atlantic/Azores'));
        $this->assertSame(['Perrin Vale', 'TEEN', false], [$answer->name, $answer->group, $answer->isBlocked]);
        $this->assertSame('2028-07-01T00:00:00+00:00', $answer->expiresAt?->format(DATE_ATOM));
    }

    public function test_letters_of_older_systems_are_read_too(): void
    {
        $line = "24              00020261129    101500AE\xcd\xf1igo|BLY|CQY|";
        $this->assertSame('Íñigo', Sip2Message::read("{$line}\r", '24', 0)->field('AE'));
    }

    /**
     * @return iterable<string, array{string, string, bool|null, string|null}> circulation status, more fields, is in,
     *     due
     */
    public static function copies(): iterable
    {
        yield 'available' => ['03', '', true, null];
        yield 'to be shelved' => ['09', '', true, null];
        yield 'on loan' => ['04', 'AH20261214    235900|', false, '2026-12-14'];
        yield 'on loan, by another form of date' => ['05', 'AH2026-12-14|', false, '2026-12-14'];
        yield 'on loan, by a form that nobody knows' => ['04', 'AH14/12/26|', false, null];
        yield 'on loan, until a day that there is not' => ['04', 'AH20261399    235900|', false, null];
        yield 'on loan, for ever' => ['04', 'AH99991231    235900|', false, null];
        yield 'lost, with an old date' => ['12', 'AH20201214    235900|', false, null];
        yield 'kept for somebody' => ['08', '', false, null];
        yield 'in transit' => ['10', '', false, null];
        yield 'something else' => ['01', '', null, null];
        yield 'not of the standard' => ['99', '', null, null];
    }

    #[DataProvider('copies')]
    public function test_what_a_system_says_of_a_copy(string $status, string $more, ?bool $isIn, ?string $due): void
    {
        $now = new DateTimeImmutable('2026-11-30');
        $zone = new DateTimeZone('Atlantic/Azores');
        $message = Sip2Message::read(
            self::line("18{$status}000120261129    101500{$more}AOLF|AB31000042|AJA book|"),
            '18',
            0,
        );
        $answer = ItemAnswer::of($message, '31000042', $zone, $now);
        $this->assertSame([$isIn, $due], [$answer->isIn, $answer->dueAt?->format('Y-m-d')]);
        $this->expectException(UnreadableSip2::class);
        ItemAnswer::of($message, '31000043', $zone, $now);
    }

    /** @return array<string, array{string}> */
    public static function nonsense(): array
    {
        return [
            'no answer' => ['the tide is out'],
            'another answer' => [self::line('94' . '1')],
            'cut short' => [self::line('24   ')],
            'of another question' => [self::line('24              00020261129    101500BLY|', 7)],
            'touched on its way' => [
                str_replace('BLN', 'BLY', self::line('24              00020261129    101500BLN|')),
            ],
            'nothing' => [''],
            'bytes' => ["24\xff\xfe"],
        ];
    }

    #[DataProvider('nonsense')]
    public function test_what_is_no_answer_is_none(string $line): void
    {
        $this->expectException(UnreadableSip2::class);
        Sip2Message::read($line, '24', 0);
    }
}

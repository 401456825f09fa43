<?php

declare(strict_types=1);

namespace Tests\Core\Lending;

use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\LoanLength;
use FigPorch\Core\Lending\LoanRule;
use FigPorch\Core\Lending\LoanTerms;
use PHPUnit\Framework\TestCase;

final class LoanTermsTest extends TestCase
{
    public function test_without_rules_common_practice_holds(): void
    {
        $terms = LoanTerms::from([], 'adult', Format::Ebook);

        $this->assertSame(
            [7, 7, 72, 3],
            [$terms->maxLoans, $terms->maxHolds, $terms->holdKeptHours, $terms->renewalWindowDays],
        );
        $this->assertSame(['7d', '14d', '21d'], array_map(fn(LoanLength $l): string => $l->code(), $terms->lengths));
        $this->assertSame('14d', $terms->defaultLength->code());
        $this->assertSame(Audience::Adult, $terms->audienceCeiling);
    }

    public function test_a_patrons_own_default_is_heeded_only_if_it_is_offered(): void
    {
        $default = fn(int $days): string => LoanTerms::from(
            [],
            'adult',
            Format::Ebook,
            LoanLength::days($days),
        )->defaultLength->code();

        $this->assertSame('21d', $default(21));
        $this->assertSame('14d', $default(9), 'else the library’s');
    }

    public function test_the_most_specific_rule_wins_field_by_field(): void
    {
        $rules = [
            new LoanRule(maxLoans: 1, maxHolds: 1, holdKeptHours: 1),
            new LoanRule(format: Format::Video, maxLoans: 2, maxHolds: 2),
            new LoanRule(group: 'teen', maxLoans: 3),
            new LoanRule(group: 'teen', format: Format::Video, lengths: [LoanLength::days(3), LoanLength::hours(1)]),
            new LoanRule(group: 'child', format: Format::Video, maxLoans: 99),
        ];

        $terms = LoanTerms::from($rules, 'teen', Format::Video);
        $this->assertSame(3, $terms->maxLoans, 'group before format');
        $this->assertFalse($terms->loansCountedByFormat);
        $this->assertSame(2, $terms->maxHolds, 'format before library');
        $this->assertTrue($terms->holdsCountedByFormat);
        $this->assertSame(1, $terms->holdKeptHours);
        $this->assertSame('1h', $terms->lengths[0]->code(), 'shortest first');
        $this->assertSame('3d', $terms->longest()->code());
        $this->assertSame(
            '1h',
            $terms->defaultLength->code(),
            'a default that is not offered gives way to the shortest',
        );
        $this->assertFalse($terms->offers(LoanLength::days(14)));

        $this->assertSame(1, LoanTerms::from($rules, 'adult', Format::Ebook)->maxLoans);
    }

    public function test_the_order_in_which_rules_come_does_not_matter(): void
    {
        $rules = [
            new LoanRule(maxLoans: 1),
            new LoanRule(group: 'teen', maxLoans: 3),
            new LoanRule(format: Format::Ebook, maxLoans: 2),
        ];
        foreach ([[0, 1, 2], [2, 1, 0], [1, 0, 2], [2, 0, 1]] as $order) {
            $this->assertSame(
                3,
                LoanTerms::from(array_map(fn(int $i) => $rules[$i], $order), 'teen', Format::Ebook)->maxLoans,
            );
        }
    }
}

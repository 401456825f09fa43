<?php

declare(strict_types=1);

namespace Tests\Core\Lending;

use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\LoanLength;
use FigPorch\Core\Lending\LoanRule;
use FigPorch\Core\Lending\LoanTerms;
use FigPorch\Core\Lending\RuleField;
use FigPorch\Core\Lending\RuleOrigin;
use FigPorch\Core\Lending\RuleTable;
use PHPUnit\Framework\TestCase;

final class RuleTableTest extends TestCase
{
    /** What the table shows is what lending goes by, whatever rules there are. */
    public function test_the_table_says_what_the_terms_are(): void
    {
        mt_srand(7);
        for ($round = 0; $round < 400; $round++) {
            $table = new RuleTable($this->rules());
            foreach (['adult', 'teen', 'nobody is in it'] as $group) {
                foreach (Format::cases() as $format) {
                    $terms = LoanTerms::from($table->rules, $group, $format);
                    $said = fn(RuleField $field) => $field->of($table->saying($field, $group, $format)[0]);
                    $this->assertSame($terms->maxLoans, $said(RuleField::MaxLoans));
                    $this->assertSame($terms->maxHolds, $said(RuleField::MaxHolds));
                    $this->assertSame($terms->renewalWindowDays, $said(RuleField::RenewalWindowDays));
                    $this->assertSame($terms->maxRenewals, $said(RuleField::MaxRenewals));
                    $this->assertSame($terms->holdKeptHours, $said(RuleField::HoldKeptHours));
                    $this->assertSame($terms->payPerLoanMonthly, $said(RuleField::PayPerLoanMonthly));
                    $this->assertSame($terms->audienceCeiling, $said(RuleField::AudienceCeiling));
                    $this->assertEqualsCanonicalizing($terms->lengths, (array) $said(RuleField::Lengths));
                    [, $origin] = $table->saying(RuleField::MaxLoans, $group, $format);
                    $this->assertSame(
                        $terms->loansCountedByFormat,
                        in_array($origin, [RuleOrigin::Format, RuleOrigin::Both], true),
                    );
                }
            }
        }
    }

    public function test_where_a_value_comes_from(): void
    {
        $table = new RuleTable([
            new LoanRule(maxLoans: 8),
            new LoanRule(format: Format::Video, maxLoans: 2),
            new LoanRule(group: 'teen', maxLoans: 5),
            new LoanRule(group: 'teen', format: Format::Music, maxLoans: 1),
        ]);
        $origin = fn(?string $group, ?Format $format): array => [
            $table->saying(RuleField::MaxLoans, $group, $format)[0]->maxLoans,
            $table->saying(RuleField::MaxLoans, $group, $format)[1],
        ];
        $this->assertSame([8, RuleOrigin::Library], $origin(null, null));
        $this->assertSame([2, RuleOrigin::Format], $origin(null, Format::Video));
        $this->assertSame([5, RuleOrigin::Group], $origin('teen', null));
        $this->assertSame([5, RuleOrigin::Group], $origin('teen', Format::Video));
        $this->assertSame([1, RuleOrigin::Both], $origin('teen', Format::Music));
        $this->assertSame([8, RuleOrigin::Library], $origin('adult', Format::Ebook));
        $this->assertSame(RuleOrigin::Practice, $table->saying(RuleField::MaxHolds, 'teen', Format::Music)[1]);
    }

    public function test_a_length_that_is_proposed_must_be_offered(): void
    {
        $table = new RuleTable([new LoanRule(lengths: [LoanLength::days(7), LoanLength::days(14)])]);
        $proposing = fn(int $days): LoanRule => new LoanRule(group: 'teen', defaultLength: LoanLength::days($days));
        $this->assertNull($table->impossibleDefault($proposing(14)));
        $this->assertSame('21d', $table->impossibleDefault($proposing(21)));
        $this->assertNull($table->impossibleDefault(new LoanRule(group: 'teen')));
        $own = new LoanRule(lengths: [LoanLength::days(21)], defaultLength: LoanLength::days(21));
        $this->assertNull($table->impossibleDefault($own));
    }

    /** @return list<LoanRule> some, each scope once */
    private function rules(): array
    {
        $rules = [];
        $some = fn(int $most): ?int => mt_rand(0, 1) === 0 ? null : mt_rand(0, $most);
        foreach ([null, 'adult', 'teen'] as $group) {
            foreach ([null, ...Format::cases()] as $format) {
                if (mt_rand(0, 2) === 0) {
                    $lengths = array_map(LoanLength::days(...), array_slice([3, 7, 14, 21], 0, mt_rand(0, 4)));
                    $rules[] = new LoanRule(
                        group: $group,
                        format: $format,
                        maxLoans: $some(9),
                        maxHolds: $some(9),
                        lengths: mt_rand(0, 1) === 0 ? null : $lengths,
                        renewalWindowDays: $some(9),
                        maxRenewals: $some(9),
                        holdKeptHours: $some(9),
                        payPerLoanMonthly: $some(9),
                        audienceCeiling: mt_rand(0, 1) === 0 ? null : Audience::cases()[mt_rand(0, 2)],
                    );
                }
            }
        }
        shuffle($rules);

        return $rules;
    }
}

<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;

/** Loan rules that a new library can begin with, by what kind of library it is (common practice, no source). */
enum BeginningRules: string
{
    case Public = 'public';
    case School = 'school';
    case College = 'college';

    /** @return list<string> patron groups, the usual one first */
    public function groups(): array
    {
        return match ($this) {
            self::Public => ['adult', 'teen', 'child'],
            self::School => ['student', 'teacher'],
            self::College => ['student', 'teacher'],
        };
    }

    /** @return list<LoanRule> the first is for everybody */
    public function rules(): array
    {
        $days = fn(int ...$of): array => array_values(array_map(LoanLength::days(...), $of));
        $video = new LoanRule(format: Format::Video, lengths: $days(3, 7), defaultLength: LoanLength::days(3));

        return match ($this) {
            self::Public => [
                new LoanRule(
                    maxLoans: 8,
                    maxHolds: 8,
                    lengths: $days(7, 14, 21),
                    defaultLength: LoanLength::days(14),
                    holdKeptHours: 72,
                ),
                // So that the group has a name before anybody is in it.
                new LoanRule(group: 'adult'),
                new LoanRule(group: 'teen', audienceCeiling: Audience::Teen),
                new LoanRule(group: 'child', maxLoans: 5, audienceCeiling: Audience::Child),
                $video,
            ],
            self::School => [
                new LoanRule(
                    maxLoans: 4,
                    maxHolds: 4,
                    lengths: $days(14),
                    defaultLength: LoanLength::days(14),
                    holdKeptHours: 72,
                    audienceCeiling: Audience::Teen,
                ),
                new LoanRule(group: 'student'),
                new LoanRule(group: 'teacher', maxLoans: 10, lengths: $days(14, 28), audienceCeiling: Audience::Adult),
                $video,
            ],
            self::College => [
                new LoanRule(
                    maxLoans: 12,
                    maxHolds: 10,
                    lengths: $days(7, 14, 21),
                    defaultLength: LoanLength::days(14),
                    holdKeptHours: 48,
                ),
                new LoanRule(group: 'student'),
                new LoanRule(group: 'teacher', maxLoans: 20, lengths: $days(14, 28)),
                new LoanRule(
                    format: Format::Video,
                    lengths: [LoanLength::hours(4), LoanLength::days(3)],
                    defaultLength: LoanLength::days(3),
                ),
            ],
        };
    }
}

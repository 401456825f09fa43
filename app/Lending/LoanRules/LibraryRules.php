<?php

declare(strict_types=1);

namespace App\Lending\LoanRules;

use App\Models\Card;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\LoanLength;
use FigPorch\Core\Lending\LoanRule;
use FigPorch\Core\Lending\LoanTerms;
use FigPorch\Core\Lending\RuleTable;
use Illuminate\Support\Facades\DB;
use stdClass;

/** A library's loan rules as core values. */
final class LibraryRules
{
    /** @var array<int, list<LoanRule>> by library, read once a request */
    private array $read = [];

    /** @var array<string, LoanTerms> by library, group and format */
    private array $terms = [];

    public function table(int $libraryId): RuleTable
    {
        return new RuleTable(
            ($this->read[$libraryId] ??= self::fromRows(
                DB::select('select * from loan_rules where library_id = ?', [$libraryId]),
            )),
        );
    }

    /** The limits of a card, for most formats. */
    public function usual(Card $card): LoanTerms
    {
        return $this->terms($card->library_id, $card->patron_group, Format::Ebook);
    }

    public function terms(int $libraryId, string $group, Format $format): LoanTerms
    {
        $this->table($libraryId);

        return $this->terms["{$libraryId}:{$group}:{$format->value}"] ??= LoanTerms::from(
            $this->read[$libraryId],
            $group,
            $format,
        );
    }

    /**
     * The longest that anyone at the library may keep a title of the format, and the longest that a copy is kept for a
     * hold:
     * what a promise to those who wait has to reckon with.
     *
     * @return array{LoanLength, int} length and hours
     */
    public function slowest(int $libraryId, Format $format): array
    {
        $this->terms($libraryId, '', $format);
        $groups = array_unique(
            array_map(fn(LoanRule $r): string => $r->group ?? '', [new LoanRule(), ...$this->read[$libraryId]]),
        );
        $terms = array_map(
            fn(string $group): LoanTerms => $this->terms($libraryId, $group, $format),
            array_values($groups),
        );
        usort(
            $terms,
            fn(LoanTerms $a, LoanTerms $b): int => $b->longest()->nominalHours() <=> $a->longest()->nominalHours(),
        );

        return [$terms[0]->longest(), max(array_map(fn(LoanTerms $t): int => $t->holdKeptHours, $terms))];
    }

    /**
     * What a card may borrow, as pairs like "ebook:teen"; null for a card, or nobody's card, without a ceiling.
     *
     * @return list<string>|null
     */
    public function allowed(?Card $card): ?array
    {
        if ($card === null) {
            return null;
        }
        $allowed = [];
        foreach (Format::cases() as $format) {
            $ceiling = $this->terms($card->library_id, $card->patron_group, $format)->audienceCeiling;
            foreach (Audience::cases() as $audience) {
                if ($ceiling->covers($audience)) {
                    $allowed[] = "{$format->value}:{$audience->value}";
                }
            }
        }

        return count($allowed) === count(Format::cases()) * count(Audience::cases()) ? null : $allowed;
    }

    /**
     * @param  iterable<stdClass>  $rows  of loan_rules, as the database or its JSON gives them
     * @return list<LoanRule>
     */
    public static function fromRows(iterable $rows): array
    {
        $rules = [];
        foreach ($rows as $row) {
            $lengths = is_string($row->lengths ?? null) ? json_decode($row->lengths) : $row->lengths ?? null;
            $rules[] = new LoanRule(
                group: $row->patron_group,
                format: $row->format === null ? null : Format::from($row->format),
                maxLoans: $row->max_loans,
                maxHolds: $row->max_holds,
                lengths: is_array($lengths) ? array_map(LoanLength::parse(...), array_values($lengths)) : null,
                defaultLength: $row->default_length === null ? null : LoanLength::parse($row->default_length),
                renewalWindowDays: $row->renewal_window_days,
                maxRenewals: $row->max_renewals,
                holdKeptHours: $row->hold_kept_hours,
                payPerLoanMonthly: $row->pay_per_loan_monthly,
                audienceCeiling: $row->audience_ceiling === null ? null : Audience::from($row->audience_ceiling),
            );
        }

        return $rules;
    }
}

<?php

declare(strict_types=1);

namespace App\Queries\Lending;

use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\LoanLength;
use FigPorch\Core\Lending\LoanRule;
use FigPorch\Core\Lending\LoanTerms;
use Illuminate\Support\Facades\DB;

/** A library's loan rules as core values. */
final class Rules
{
    /** @var array<int, list<LoanRule>> by library, read once a request */
    private array $read = [];

    public function terms(int $libraryId, string $group, Format $format): LoanTerms
    {
        $this->read[$libraryId] ??= self::fromRows(DB::select('select * from loan_rules where library_id = ?', [$libraryId]));

        return LoanTerms::from($this->read[$libraryId], $group, $format);
    }

    /**
     * @param  iterable<object>  $rows  of loan_rules, as the database or its JSON gives them
     * @return list<LoanRule>
     */
    public static function fromRows(iterable $rows): array
    {
        $rules = [];
        foreach ($rows as $row) {
            $lengths = is_string($row->lengths ?? null) ? json_decode($row->lengths) : ($row->lengths ?? null);
            $rules[] = new LoanRule(
                $row->patron_group,
                $row->format === null ? null : Format::from($row->format),
                $row->max_loans,
                $row->max_holds,
                is_array($lengths) ? array_map(LoanLength::parse(...), array_values($lengths)) : null,
                $row->default_length === null ? null : LoanLength::parse($row->default_length),
                $row->renewal_window_days,
                $row->max_renewals,
                $row->hold_kept_hours,
                $row->pay_per_loan_monthly,
                $row->audience_ceiling === null ? null : Audience::from($row->audience_ceiling),
            );
        }

        return $rules;
    }
}

<?php

declare(strict_types=1);

namespace App\Desk\Setup;

use App\Models\Library;
use FigPorch\Core\Lending\LoanLength;
use FigPorch\Core\Lending\LoanRule;
use Illuminate\Support\Facades\DB;

/** Makes a library with the rules it begins with. */
final class CreateLibrary
{
    public function __invoke(NewLibrary $new): Library
    {
        return DB::transaction(function () use ($new): Library {
            $library = Library::query()->create([
                'consortium_id' => $new->consortium === null ? null : $this->consortium($new->consortium),
                'slug' => $new->slug,
                'name' => $new->name,
                'short_name' => $new->shortName,
                'place' => $new->place,
                'timezone' => $new->timezone,
                'pin_contact' => $new->pinContact,
            ]);
            DB::table('loan_rules')->insert(
                array_map(fn(LoanRule $rule): array => self::row($library, $rule), $new->rules->rules()),
            );

            return $library;
        });
    }

    /** That of the name, however it is written; a new one where there is none. */
    private function consortium(string $name): int
    {
        $known = DB::table('consortia')
            ->whereRaw('lower(name) = ?', [mb_strtolower($name)])
            ->value('id');

        return $known === null ? DB::table('consortia')->insertGetId(['name' => $name]) : (int) $known;
    }

    /** @return array<string, int|string|null> */
    private static function row(Library $library, LoanRule $rule): array
    {
        return [
            'library_id' => $library->id,
            'patron_group' => $rule->group,
            'format' => $rule->format?->value,
            'max_loans' => $rule->maxLoans,
            'max_holds' => $rule->maxHolds,
            'lengths' =>
                $rule->lengths === null
                    ? null
                    : json_encode(
                        array_map(fn(LoanLength $of): string => $of->code(), $rule->lengths),
                        JSON_THROW_ON_ERROR,
                    ),
            'default_length' => $rule->defaultLength?->code(),
            'renewal_window_days' => $rule->renewalWindowDays,
            'max_renewals' => $rule->maxRenewals,
            'hold_kept_hours' => $rule->holdKeptHours,
            'pay_per_loan_monthly' => $rule->payPerLoanMonthly,
            'audience_ceiling' => $rule->audienceCeiling?->value,
        ];
    }
}

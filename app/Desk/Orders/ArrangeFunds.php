<?php

declare(strict_types=1);

namespace App\Desk\Orders;

use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Models\Fund;
use App\Models\Library;
use App\Models\StaffMember;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** The funds of a library, and what each has in a year. */
final class ArrangeFunds
{
    public function __construct(private readonly RecordChange $recordChange) {}

    /** @return Fund|null null where the library has a fund of this name */
    public function add(StaffMember $by, string $name, int $year, int $cents, CarbonImmutable $now): ?Fund
    {
        return DB::transaction(function () use ($by, $name, $year, $cents, $now): ?Fund {
            // Two who add the same fund at once are answered one after the other.
            Library::query()->lockForUpdate()->findOrFail($by->library_id);
            $known = Fund::query()->where('library_id', $by->library_id);
            if ($known->whereRaw('lower(name) = lower(?)', [$name])->exists()) {
                return null;
            }
            $fund = Fund::query()->create(['library_id' => $by->library_id, 'name' => $name]);
            $this->budget($by, $fund, $year, $cents, $now);

            return $fund;
        });
    }

    public function budget(StaffMember $by, Fund $fund, int $year, int $cents, CarbonImmutable $now): void
    {
        DB::transaction(function () use ($by, $fund, $year, $cents, $now): void {
            $key = ['fund_id' => $fund->id, 'year' => $year];
            Fund::query()->lockForUpdate()->findOrFail($fund->id);
            $before = DB::table('fund_years')->where($key)->value('budget_cents');
            if ($before !== $cents) {
                DB::table('fund_years')->upsert([...$key, 'budget_cents' => $cents], ['fund_id', 'year']);
                $this->write($by, $fund, 'budget', [self::said($before, $by), self::said($cents, $by)], $now);
            }
        });
    }

    /** A closed fund pays for nothing more; what was ordered from it comes all the same. */
    public function close(StaffMember $by, Fund $fund, bool $closed, CarbonImmutable $now): void
    {
        DB::transaction(function () use ($by, $fund, $closed, $now): void {
            $fund = Fund::query()->lockForUpdate()->findOrFail($fund->id);
            if ($fund->closed !== $closed) {
                $fund->update(['closed' => $closed]);
                $this->write($by, $fund, 'closed', [!$closed, $closed], $now);
            }
        });
    }

    /** @param  array{string|bool|null, string|bool|null}  $change */
    private function write(StaffMember $by, Fund $fund, string $what, array $change, CarbonImmutable $now): void
    {
        ($this->recordChange)($by, ChangeKind::FundChanged, $fund->name, [$what => $change], $now);
    }

    private static function said(?int $cents, StaffMember $by): ?string
    {
        return $cents === null ? null : sprintf('%.2F', $cents / 100) . " {$by->library->currency}";
    }
}

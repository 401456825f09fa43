<?php

declare(strict_types=1);

namespace App\Exchange\Supplier;

use Carbon\CarbonImmutable;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

final class ReadSupplierCommand extends Command
{
    /** Minutes until a whole reading is repeated, and one that broke off. */
    private const STALE = ['whole' => 60, 'broken' => 5];

    protected $signature = 'catalogue:read-supplier {--stale : only if the last reading is an hour old, or broke off}';

    protected $description = 'Read what the supplier offers, for searches beyond the libraries’ own titles';

    public function handle(ReadSupplier $read): int
    {
        $address = config('figporch.supplier');
        if (!is_string($address) || $address === '') {
            $this->line('No supplier is set: SUPPLIER_URL is empty.');

            return self::SUCCESS;
        }
        if ($this->option('stale') && $this->isFresh()) {
            return self::SUCCESS;
        }
        $problem = $read($address, CarbonImmutable::now());
        if ($problem !== null) {
            $this->error("{$address} could not be read: {$problem}");

            return self::FAILURE;
        }
        $this->line(DB::table('supplied_titles')->count() . ' titles are offered.');

        return self::SUCCESS;
    }

    private function isFresh(): bool
    {
        $last = DB::table('supplier_readings')->orderByDesc('id')->first();

        return $last !== null &&
            now()->diffInMinutes($last->begun_at, absolute: true) <
                self::STALE[$last->ended_at !== null && $last->problem === null ? 'whole' : 'broken'];
    }
}

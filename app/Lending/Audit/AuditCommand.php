<?php

declare(strict_types=1);

namespace App\Lending\Audit;

use Carbon\CarbonImmutable;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Log;

/** Run every night; it must never find anything. */
final class AuditCommand extends Command
{
    protected $signature = 'lending:audit';

    protected $description = 'Recount every figure of lending from the loans and holds, and say where one is off';

    public function handle(LendingAudit $audit): int
    {
        $wrong = $audit->wrong(CarbonImmutable::now());
        foreach ($wrong as $line) {
            $this->error($line);
            Log::error("lending:audit: {$line}");
        }
        if ($wrong !== []) {
            return self::FAILURE;
        }
        $this->info('Every figure agrees with a recount.');

        return self::SUCCESS;
    }
}

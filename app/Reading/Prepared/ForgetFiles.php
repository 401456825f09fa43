<?php

declare(strict_types=1);

namespace App\Reading\Prepared;

use App\Models\PreparedFile;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;

/** Files of loans that have ended, and those that nobody has asked for since. */
final class ForgetFiles
{
    private const HOURS = 2;

    /** @return int how many files were removed */
    public function __invoke(CarbonImmutable $now): int
    {
        PreparedFile::query()
            ->where('asked_at', '<=', $now->subHours(self::HOURS))
            ->orWhereHas('loan', fn(Builder $loan) => $loan->whereNotNull('ended_at')->orWhere('due_at', '<=', $now))
            ->delete();
        $removed = 0;
        foreach (glob(storage_path('prepared/*')) ?: [] as $path) {
            $isHalfMade = str_contains(basename($path), '.');
            $isLeft = $isHalfMade
                ? (int) filemtime($path) < $now->subHours(self::HOURS)->getTimestamp()
                : PreparedFile::query()->whereKey((int) basename($path))->doesntExist();
            if ($isLeft && @unlink($path)) {
                $removed++;
            }
        }

        return $removed;
    }
}

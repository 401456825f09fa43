<?php

declare(strict_types=1);

namespace App\Reading\Prepared;

use App\Models\PreparedFile;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;

/** Makes a file that was asked for. It stands at its place when it is whole, and not before. */
final class MakeFile
{
    /** How often the share is written down at most. */
    private const TOLD_SECONDS = 0.5;

    public function __construct(private readonly FileMakers $makers) {}

    public function __invoke(PreparedFile $file): void
    {
        $loan = $file->loan->load(['title.contributors', 'title.publication', 'licence']);
        $half = "{$file->path()}." . Str::lower(Str::random(8));
        is_dir(dirname($half)) || mkdir(dirname($half), 0o755, true);
        $toldAt = microtime(true);
        $told = function (float $share) use ($file, &$toldAt): void {
            if (microtime(true) - $toldAt >= self::TOLD_SECONDS) {
                $toldAt = microtime(true);
                PreparedFile::query()
                    ->whereKey($file->id)
                    ->update(['share' => max(0.0, min(1.0, $share))]);
            }
        };
        try {
            $this->makers->of($file->kind)->make($loan, $file->kind, $half, $told);
            rename($half, $file->path());
        } finally {
            is_file($half) && unlink($half);
        }
        $file->update(['share' => 1, 'ready_at' => CarbonImmutable::now()]);
    }
}

<?php

declare(strict_types=1);

namespace App\Reading\Prepared;

use App\Models\PreparedFile;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Throwable;

/** One file that takes its time, by the worker for such files. */
final class PrepareInBackground implements ShouldQueue
{
    use Queueable;

    public int $tries = 2;

    public function __construct(private readonly int $fileId)
    {
        $this->onConnection('files')->onQueue('files');
    }

    public function handle(MakeFile $make): void
    {
        $file = PreparedFile::query()->with('loan')->find($this->fileId);
        if ($file === null || $file->isReady() || !$file->loan->isOpen(CarbonImmutable::now())) {
            return;
        }
        $before = app()->getLocale();
        app()->setLocale($file->locale);
        try {
            $make($file);
        } finally {
            app()->setLocale($before);
        }
    }

    public function failed(?Throwable $why): void
    {
        PreparedFile::query()
            ->whereKey($this->fileId)
            ->whereNull('ready_at')
            ->update(['failed_at' => CarbonImmutable::now()]);
    }
}

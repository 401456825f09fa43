<?php

declare(strict_types=1);

namespace App\Shared;

use Illuminate\Queue\Failed\DatabaseUuidFailedJobProvider;
use RuntimeException;
use Throwable;

/** Jobs that failed, without the values that were bound to a question: they are patrons' words and numbers. */
final class FailedJobs extends DatabaseUuidFailedJobProvider
{
    /**
     * @param  string  $connection
     * @param  string  $queue
     * @param  string  $payload
     * @param  Throwable  $exception
     */
    public function log($connection, $queue, $payload, $exception): ?string
    {
        $where = $exception->getFile() . ':' . $exception->getLine();
        $said = $exception instanceof \PDOException ? '' : ": {$exception->getMessage()}";

        return parent::log(
            $connection,
            $queue,
            $payload,
            new RuntimeException($exception::class . " ({$exception->getCode()}) at {$where}{$said}"),
        );
    }
}

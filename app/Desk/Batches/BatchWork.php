<?php

declare(strict_types=1);

namespace App\Desk\Batches;

use App\Models\Batch;
use App\Models\BatchRow;
use DateTimeImmutable;

/** One kind of change, for many titles: what it would do, doing it to one, and undoing that. */
interface BatchWork
{
    /**
     * @param  list<int>  $titles
     * @return array<int, array{outcome: string, note: array<string, int|string>}> by title: ready, same or refused,
     *     and what is to be known of it
     */
    public function look(Batch $batch, array $titles, DateTimeImmutable $now): array;

    /** Before the first title is changed, and before the first is brought back. */
    public function begin(Batch $batch, DateTimeImmutable $now): void;

    /** After the last. */
    public function end(Batch $batch, DateTimeImmutable $now): void;

    /** @return array<string, mixed>|null what brings it back; null where nothing is to be done any more */
    public function do(Batch $batch, BatchRow $row, DateTimeImmutable $now): ?array;

    /** @return string|null why it stays as it is, by the key of its words in batches.kept_why */
    public function undo(Batch $batch, BatchRow $row, DateTimeImmutable $now): ?string;
}

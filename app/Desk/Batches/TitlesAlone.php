<?php

declare(strict_types=1);

namespace App\Desk\Batches;

use App\Models\Batch;
use DateTimeImmutable;

/** Of work in which nothing but the titles changes. */
trait TitlesAlone
{
    public function begin(Batch $batch, DateTimeImmutable $now): void {}

    public function end(Batch $batch, DateTimeImmutable $now): void {}
}

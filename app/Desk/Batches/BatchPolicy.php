<?php

declare(strict_types=1);

namespace App\Desk\Batches;

use App\Models\Batch;
use App\Models\StaffMember;
use Illuminate\Auth\Access\Response;

/** A batch is of the library whose staff made it. */
final class BatchPolicy
{
    public function handle(StaffMember $staff, Batch $batch): Response
    {
        return $batch->library_id === $staff->library_id ? Response::allow() : Response::denyAsNotFound();
    }
}

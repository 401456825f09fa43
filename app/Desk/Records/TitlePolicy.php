<?php

declare(strict_types=1);

namespace App\Desk\Records;

use App\Models\FileImport;
use App\Models\StaffMember;
use App\Models\Title;
use Illuminate\Auth\Access\Response;

/** A record is everybody's who finds the title; it is edited by those who have, or had, a licence, or sent the file. */
final class TitlePolicy
{
    public function edit(StaffMember $staff, Title $title): Response
    {
        $has =
            $title->licences()->where('library_id', $staff->library_id)->exists() ||
            FileImport::query()
                ->where(['library_id' => $staff->library_id, 'title_id' => $title->id])
                ->exists();

        return $has ? Response::allow() : Response::deny(__('records.of_others'));
    }
}

<?php

declare(strict_types=1);

namespace App\Desk\Patrons;

use App\Models\Card;
use App\Models\StaffMember;
use Illuminate\Auth\Access\Response;

/** A card is looked after by the staff of the library that gave it out. */
final class CardPolicy
{
    public function serve(StaffMember $staff, Card $card): Response
    {
        return $card->library_id === $staff->library_id ? Response::allow() : Response::denyAsNotFound();
    }
}

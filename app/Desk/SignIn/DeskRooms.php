<?php

declare(strict_types=1);

namespace App\Desk\SignIn;

use App\Models\StaffMember;
use FigPorch\Core\Desk\StaffTask;

/** What the Desk has for somebody: figures for all, and where their role has something to do. */
final class DeskRooms
{
    /** By their addresses; null for all. */
    private const ROOMS = [
        'today' => null,
        'patrons' => StaffTask::Patrons,
        'titles' => null,
        'licences' => null,
        'orders' => null,
        'files' => StaffTask::Titles,
        'requests' => null,
        'lists' => StaffTask::Lists,
        'messages' => StaffTask::Messages,
        'letters' => StaffTask::Letters,
        'figures' => null,
        'rules' => StaffTask::Rules,
        'library' => StaffTask::Library,
        'staff' => StaffTask::Staff,
        'trail' => StaffTask::Trail,
    ];

    /** @return list<string> */
    public static function of(StaffMember $staff): array
    {
        $role = $staff->role();

        return array_keys(
            array_filter(self::ROOMS, fn(?StaffTask $task): bool => $task === null || $role?->may($task) === true),
        );
    }
}

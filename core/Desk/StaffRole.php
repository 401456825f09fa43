<?php

declare(strict_types=1);

namespace FigPorch\Core\Desk;

/** What somebody is at a library, and so what they may do there (common practice, no source). */
enum StaffRole: string
{
    case Director = 'director';
    case Catalogue = 'catalogue';
    case Lending = 'lending';
    case Lists = 'lists';
    case Figures = 'figures';

    public function may(StaffTask $task): bool
    {
        return in_array($task, $this->tasks(), true);
    }

    /** @return list<StaffTask> */
    public function tasks(): array
    {
        return match ($this) {
            self::Director => StaffTask::cases(),
            self::Catalogue => [StaffTask::Licences, StaffTask::Titles, StaffTask::Requests, StaffTask::Lists],
            self::Lending => [StaffTask::Patrons, StaffTask::Requests, StaffTask::Letters],
            self::Lists => [StaffTask::Lists, StaffTask::Messages, StaffTask::Letters],
            self::Figures => [],
        };
    }

    /** @return list<self> whose task it is, the director last: whom to ask */
    public static function whoMay(StaffTask $task): array
    {
        return array_reverse(array_values(array_filter(self::cases(), fn(self $role): bool => $role->may($task))));
    }
}

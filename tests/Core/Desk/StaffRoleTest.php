<?php

declare(strict_types=1);

namespace Tests\Core\Desk;

use FigPorch\Core\Desk\StaffRole;
use FigPorch\Core\Desk\StaffTask;
use PHPUnit\Framework\TestCase;

final class StaffRoleTest extends TestCase
{
    /** Word for word, so that no role gets or loses a task unnoticed. */
    public function test_what_each_role_may(): void
    {
        $may = [];
        foreach (StaffRole::cases() as $role) {
            foreach (StaffTask::cases() as $task) {
                $role->may($task) && ($may[$role->value][] = $task->value);
            }
        }
        $this->assertSame(
            [
                'director' => [
                    'staff',
                    'library',
                    'rules',
                    'trail',
                    'patrons',
                    'licences',
                    'titles',
                    'requests',
                    'lists',
                    'messages',
                    'letters',
                ],
                'catalogue' => ['licences', 'titles', 'requests', 'lists'],
                'lending' => ['patrons', 'requests', 'letters'],
                'lists' => ['lists', 'messages', 'letters'],
            ],
            $may,
        );
    }

    public function test_whom_to_ask(): void
    {
        $this->assertSame([StaffRole::Lending, StaffRole::Director], StaffRole::whoMay(StaffTask::Patrons));
        $this->assertSame([StaffRole::Director], StaffRole::whoMay(StaffTask::Rules));
    }
}

<?php

declare(strict_types=1);

namespace App\Desk\Today;

use FigPorch\Core\Desk\StaffTask;

/** Something that needs hands, and where it is done. */
final readonly class Todo
{
    /**
     * @param  string  $what  the key of its words in today.todo
     * @param  string  $address  where it is done
     * @param  StaffTask|null  $task  whose it is; null for everybody
     */
    public function __construct(
        public string $what,
        public int $count,
        public string $address,
        public ?StaffTask $task = null,
    ) {}
}

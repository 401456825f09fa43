<?php

declare(strict_types=1);

namespace Tests\Core\Account;

use FigPorch\Core\Account\MessageReach;
use InvalidArgumentException;
use PHPUnit\Framework\TestCase;

/** Where, when and for whom a message stands. */
final class MessageReachTest extends TestCase
{
    public function test_it_stands_from_its_first_day_to_its_last(): void
    {
        $reach = new MessageReach([], [], '2026-12-24', '2026-12-26');
        $days = ['2026-12-23', '2026-12-24', '2026-12-26', '2026-12-27'];
        $this->assertSame([false, true, true, false], array_map($reach->isOn(...), $days));
        $this->assertTrue((new MessageReach([], [], '2026-12-24', null))->isOn('2099-01-01'));
        $this->expectException(InvalidArgumentException::class);
        new MessageReach([], [], '2026-12-24', '2026-12-23');
    }

    public function test_in_no_room_is_the_front_door(): void
    {
        $everywhere = new MessageReach([], [], '2026-01-01', null);
        $this->assertTrue($everywhere->standsIn(null));
        $this->assertFalse($everywhere->standsIn('teen'));
        $inRoom = new MessageReach(['teen'], [], '2026-01-01', null);
        $this->assertFalse($inRoom->standsIn(null));
        $this->assertTrue($inRoom->standsIn('teen'));
        $this->assertFalse($inRoom->standsIn('study'));
    }

    public function test_for_a_group_is_for_nobody_else(): void
    {
        $this->assertTrue((new MessageReach([], [], '2026-01-01', null))->isFor(null));
        $group = new MessageReach([], ['student'], '2026-01-01', null);
        $this->assertSame([true, false, false], array_map($group->isFor(...), ['student', 'adult', null]));
    }
}

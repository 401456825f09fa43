<?php

declare(strict_types=1);

namespace Tests\App\Account;

use App\Shared\DatabaseSessions;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\Test;
use Tests\App\TestCase;

final class SessionTest extends TestCase
{
    #[Test]
    public function it_is_written_when_it_changes_and_else_once_a_minute(): void
    {
        $this->freezeSecond();
        $this->visit('one', fn(): string => 'a:1:{s:1:"a";i:1;}');
        $first = DB::table('sessions')->value('last_activity');

        $this->travel(50)->seconds();
        self::assertSame('a:1:{s:1:"a";i:1;}', $this->visit('one', fn(string $read): string => $read));
        self::assertSame($first, DB::table('sessions')->value('last_activity'), 'looking at a page writes nothing');

        $this->visit('one', fn(): string => 'a:1:{s:1:"a";i:2;}');
        self::assertSame($first + 50, DB::table('sessions')->value('last_activity'));
        self::assertSame('a:1:{s:1:"a";i:2;}', $this->visit('one', fn(string $read): string => $read));

        $this->travel(60)->seconds();
        $this->visit('one', fn(string $read): string => $read);
        self::assertSame(
            $first + 110,
            DB::table('sessions')->value('last_activity'),
            'it stays alive while it is used',
        );
    }

    #[Test]
    public function it_ends_when_nobody_comes_for_its_lifetime(): void
    {
        $this->visit('one', fn(): string => 'a:1:{s:1:"a";i:1;}');
        $this->travel(config('session.lifetime') + 1)->minutes();
        self::assertSame('', $this->visit('one', fn(string $read): string => $read));
    }

    #[Test]
    public function who_changes_nothing_writes_over_nothing(): void
    {
        $this->visit('one', fn(): string => 'a:1:{s:1:"a";i:1;}');
        $slow = $this->handler();
        $read = $slow->read('one');
        $this->travel(61)->seconds();
        $this->visit('one', fn(): string => 'a:1:{s:1:"a";i:2;}');
        $this->travel(61)->seconds();
        $slow->write('one', $read);
        self::assertSame('a:1:{s:1:"a";i:2;}', $this->visit('one', fn(string $read): string => $read));
        self::assertSame(now()->getTimestamp(), DB::table('sessions')->value('last_activity'));
    }

    #[Test]
    public function what_is_said_once_waits_for_a_page(): void
    {
        $this->as($this->card());
        $this->post('/settings/history', ['keep' => '0'])->assertRedirect('/settings');
        $this->getJson('/offline/loans')->assertOk();
        $this->getJson('/offline/loans')->assertOk();
        $this->get('/settings')->assertSee('Kept.');
        $this->get('/settings')->assertDontSee('Kept.');
    }

    #[Test]
    public function what_was_read_of_one_is_never_taken_for_another(): void
    {
        $same = fn(): string => 'a:0:{}';
        $handler = $this->handler();
        $handler->read('one');
        $handler->write('one', $same());
        $handler->read('one');
        $handler->setExists(false); // as Laravel does when a session gets a new number
        $handler->write('two', $same());
        self::assertSame(2, DB::table('sessions')->count(), 'a session that gets a new number is kept under it');
    }

    /** @param  callable(string): string  $leave */
    private function visit(string $id, callable $leave): string
    {
        $handler = $this->handler();
        $read = $handler->read($id);
        $handler->write($id, $leave($read));

        return $read;
    }

    private function handler(): DatabaseSessions
    {
        return new DatabaseSessions(DB::connection(), 'sessions', config('session.lifetime'), $this->app);
    }
}

<?php

declare(strict_types=1);

namespace App\Shared;

use FigPorch\Core\Account\Stay;
use Illuminate\Session\DatabaseSessionHandler;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Auth;
use stdClass;

/**
 * Sessions in the database, written when something in them changes, and else once a minute so that they stay alive: a
 * page that is only looked at commits nothing.
 */
final class DatabaseSessions extends DatabaseSessionHandler
{
    /** The key in a session under which its Stay is kept. */
    public const STAY = 'stay';

    private const ALIVE_SECONDS = 60;

    private ?string $readId = null;

    private string $read = '';

    private int $writtenAt = 0;

    public function read($sessionId): string
    {
        $row = $this->getQuery()->find($sessionId);
        $this->setExists($row instanceof stdClass);
        [$this->readId, $this->read, $this->writtenAt] = [null, '', 0];
        if ($row instanceof stdClass && !$this->expired($row)) {
            [$this->readId, $this->read, $this->writtenAt] = [
                $sessionId,
                (string) base64_decode((string) $row->payload),
                (int) $row->last_activity,
            ];
        }

        return $this->read;
    }

    public function write($sessionId, $data): bool
    {
        if ($sessionId === $this->readId && $data === $this->read) {
            // It changed nothing, and writes over nothing that another request has changed meanwhile.
            $now = Carbon::now()->getTimestamp();
            if ($now - $this->writtenAt >= self::ALIVE_SECONDS) {
                $this->getQuery()
                    ->where('id', $sessionId)
                    ->update(['last_activity' => $now]);
            }

            return true;
        }

        return parent::write($sessionId, $data);
    }

    public function gc($lifetime): int
    {
        return $this->getQuery()
            ->where(fn($of) => $of->where('stays', false)->where('last_activity', '<=', self::ago($this->minutes * 60)))
            ->orWhere('last_activity', '<=', self::ago(Stay::Long->idleSeconds()))
            ->delete();
    }

    protected function expired($session): bool
    {
        $seconds = $session->stays ? Stay::Long->idleSeconds() : $this->minutes * 60;

        return (int) $session->last_activity < self::ago($seconds);
    }

    private static function ago(int $seconds): int
    {
        return Carbon::now()->getTimestamp() - $seconds;
    }

    /**
     * Whose it is means the patron: the framework would write whoever the page was for, and staff have numbers of their
     * own.
     *
     * @param  array<string, mixed>  $payload
     */
    protected function addUserInformation(&$payload): static
    {
        $guard = Auth::guard('web');
        $payload['user_id'] = $guard->getSession()->get($guard->getName());
        $payload['stays'] = $guard->getSession()->get(self::STAY) === Stay::Long->value;

        return $this;
    }
}

<?php

declare(strict_types=1);

namespace App\Account\Devices;

use App\Models\Person;
use DateTimeImmutable;
use FigPorch\Core\Account\Stay;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Bearer tokens (RFC 6750) of reading applications. Each is a place where one is signed in, like a browser that stays:
 * in the same list, ended with the same buttons, forgotten after as long without use. Only what is reckoned from a
 * token is kept.
 */
final class AppTokens
{
    /** In place of what a browser's session holds. */
    public const APP = 'app';

    /** Of one person: those used last. */
    private const MOST = 10;

    private const LETTERS = 48;

    private const ALIVE_SECONDS = 60;

    public function make(Person $person, string $userAgent, ?string $ip, DateTimeImmutable $now): string
    {
        // An application that asks anew each time it begins leaves none behind.
        DB::delete(
            'delete from sessions where id in (select id from sessions where user_id = ? and payload = ?
                order by last_activity desc, id offset ?)',
            [$person->id, self::APP, self::MOST - 1],
        );
        $token = Str::random(self::LETTERS);
        DB::table('sessions')->insert([
            'id' => self::id($token),
            'user_id' => $person->id,
            'ip_address' => $ip,
            'user_agent' => mb_substr($userAgent, 0, 500),
            'payload' => self::APP,
            'last_activity' => $now->getTimestamp(),
            'stays' => true,
        ]);

        return $token;
    }

    /** Whose token it is, while it is good. */
    public function person(string $token, DateTimeImmutable $now): ?Person
    {
        $session = DB::table('sessions')->where('id', self::id($token))->first();
        if ($session === null || $session->last_activity <= $now->getTimestamp() - Stay::Long->idleSeconds()) {
            return null;
        }
        if ($session->last_activity <= $now->getTimestamp() - self::ALIVE_SECONDS) {
            DB::table('sessions')
                ->where('id', $session->id)
                ->update(['last_activity' => $now->getTimestamp()]);
        }

        return Person::query()->whereKey((int) $session->user_id)->first();
    }

    private static function id(string $token): string
    {
        return 'app:' . hash('sha256', $token);
    }
}

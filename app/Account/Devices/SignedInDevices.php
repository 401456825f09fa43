<?php

declare(strict_types=1);

namespace App\Account\Devices;

use App\Models\Person;
use App\Shared\Sql;
use Carbon\CarbonImmutable;
use FigPorch\Core\Account\Browser;
use FigPorch\Core\Account\Stay;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Where a person is signed in, the last used first. What a session is known by stays a secret of its browser. */
final class SignedInDevices
{
    private const NAME_LETTERS = 40;

    /**
     * @return list<array{name: string, browser: string|null, app: string|null, usedAt: CarbonImmutable, stays: bool,
     *     isThis: bool}> "app" is what a reading application calls itself
     */
    public function of(Person $person, string $here, CarbonImmutable $now): array
    {
        /** @var list<stdClass> $sessions */
        $sessions = DB::select(
            'select id, user_agent, last_activity, stays, payload = ? is_app from sessions where user_id = ?
                and last_activity > case when stays then ?::int else ?::int end
                order by id = ? desc, last_activity desc, id',
            [
                AppTokens::APP,
                $person->id,
                $now->getTimestamp() - Stay::Long->idleSeconds(),
                $now->getTimestamp() - Stay::Usual->idleSeconds(),
                $here,
            ],
        );

        return array_map(
            fn(stdClass $of): array => [
                'name' => self::name($of->id),
                'browser' => Browser::name((string) $of->user_agent),
                'app' => $of->is_app ? mb_substr((string) strtok((string) $of->user_agent, '/ '), 0, 40) : null,
                'usedAt' => CarbonImmutable::createFromTimestamp($of->last_activity),
                'stays' => (bool) $of->stays,
                'isThis' => $of->id === $here,
            ],
            $sessions,
        );
    }

    /** Ends one, whichever it is. */
    public function end(Person $person, string $name): void
    {
        DB::delete('delete from sessions where id = any(?::text[])', [
            Sql::array(array_filter($this->ids($person), fn(string $id): bool => self::name($id) === $name)),
        ]);
    }

    /** Ends all but this one. */
    public function endOthers(Person $person, string $here): int
    {
        return DB::delete('delete from sessions where user_id = ? and id <> ?', [$person->id, $here]);
    }

    /** @return list<string> */
    private function ids(Person $person): array
    {
        return array_column(DB::select('select id from sessions where user_id = ?', [$person->id]), 'id');
    }

    private static function name(string $id): string
    {
        return substr(hash('sha256', $id), 0, self::NAME_LETTERS);
    }
}

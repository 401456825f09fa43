<?php

declare(strict_types=1);

namespace App\Exchange\Counter;

use App\Shared\Sql;
use Carbon\CarbonImmutable;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/**
 * Notes that the catalogue was used, without by whom: what belongs to one visit is known by a hash with a secret that
 * is another each day (UTC) and goes with it.
 */
final class RecordUse
{
    private const VISIT_BYTES = 12;

    public function __construct(private readonly Robots $robots) {}

    /** @param  string  $words  of a search */
    public function __invoke(Request $request, Act $act, int $libraryId, ?int $titleId, string $words = ''): void
    {
        // Who is signed in is a person, with whatever program.
        if ($request->user('web') === null && $this->robots->has((string) $request->userAgent())) {
            return;
        }
        $now = CarbonImmutable::now();
        $day = $now->utc()->toDateString();
        // What was seen in the last moment before the machine fails may be lost, and nobody waits for the disk; but
        // what it is noted with is kept as ever.
        $unhurried =
            DB::transactionLevel() === 0 ? "and set_config('synchronous_commit', 'off', true) is not null" : '';
        $note = fn(): int => DB::affectingStatement(
            "insert into usage_events (library_id, happened_at, visit, act, title_id, words)
                select ?, ?, substr(sha256(secret || convert_to(?, 'UTF8')), 1, ?), ?, ?,
                    case when ? = '' then null else
                    ('x' || substr(encode(sha256(secret || convert_to(?, 'UTF8')), 'hex'), 1, 16))::bit(64)::bigint end
                from usage_days where day = ? {$unhurried}",
            [
                $libraryId,
                Sql::timestamp($now),
                self::visit($request),
                self::VISIT_BYTES,
                $act->value,
                $titleId,
                $words,
                $words,
                $day,
            ],
        );
        if ($note() === 0) {
            self::beginDay($day);
            $note();
        }
    }

    /** Who says nothing of themselves is known by where they ask from, and with what. */
    private static function visit(Request $request): string
    {
        $cookie = $request->hasSession() ? $request->cookies->get((string) config('session.cookie')) : null;
        $said = (string) $request->headers->get('Authorization');

        return match (true) {
            $request->hasSession() && is_string($cookie) => 'session ' . $request->session()->getId(),
            $said !== '' => "said {$said}",
            default => "from {$request->ip()} " . mb_scrub((string) $request->userAgent()),
        };
    }

    private static function beginDay(string $day): void
    {
        DB::insert("insert into usage_days (day, secret) values (?, decode(?, 'hex')) on conflict do nothing", [
            $day,
            bin2hex(random_bytes(32)),
        ]);
        DB::delete('delete from usage_days where day < ?', [$day]);
    }
}

<?php

declare(strict_types=1);

namespace App\Exchange\Links;

use App\Models\Link;
use App\Shared\OneAtATime;
use App\Shared\Sql;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use FigPorch\Core\Exchange\Links\LinkState;
use Illuminate\Support\Facades\DB;

/**
 * Looks at the websites whose time has come, for a while: in turns by host, so that one with many addresses keeps
 * nobody waiting. An address that several libraries point to is looked at once.
 */
final class LookAtLinks
{
    private const SECONDS = 50;

    /** Addresses taken at a time, of a host and in all. */
    private const OF_HOST = 20;

    private const TOGETHER = 400;

    /** That are asked to know whether anybody can be reached. */
    private const OTHERS = 3;

    private const LATER = '+6 hours';

    public function __construct(private readonly LookAtAddress $look) {}

    /** @return int addresses that were looked at */
    public function __invoke(DateTimeImmutable $now): int
    {
        $looked = 0;
        OneAtATime::run(self::class, function () use ($now, &$looked): void {
            $looked = $this->goOn($now);
        });

        return $looked;
    }

    private function goOn(DateTimeImmutable $now): int
    {
        $until = microtime(true) + self::SECONDS;
        $reached = false;
        /** @var array<string, Seen> $unsure what was found while no host could be reached, by address */
        $unsure = [];
        $looked = 0;
        foreach ($this->due($now) as $address) {
            if (microtime(true) >= $until) {
                break;
            }
            $seen = ($this->look)($address);
            $looked++;
            $reached = $reached || $seen->trouble?->mayBeOurs() !== true;
            if ($reached) {
                $this->write($address, $seen, $now);
            } else {
                $unsure[$address] = $seen;
            }
        }
        $reached = $reached || $unsure === [] || $this->isWayOut(array_keys($unsure));
        foreach ($unsure as $address => $seen) {
            $reached
                ? $this->write($address, $seen, $now)
                : Link::query()
                    ->where('address', $address)
                    ->where('ask_at', '<=', Sql::second($now))
                    ->update(['ask_at' => Sql::second($now->modify(self::LATER))]);
        }

        return $looked;
    }

    /**
     * Whether this machine reaches anybody, where nothing that was due could be reached: some that answered the last
     * time are asked. Where there are none, nobody can know.
     *
     * @param  list<string>  $unreached
     */
    private function isWayOut(array $unreached): bool
    {
        $others = Link::query()
            ->whereNotNull('asked_at')
            ->whereNull('trouble')
            ->whereNotIn('address', $unreached)
            ->orderByDesc('asked_at')
            ->limit(self::OTHERS)
            ->pluck('address')
            ->unique();
        foreach ($others as $address) {
            if (($this->look)($address)->trouble?->mayBeOurs() !== true) {
                return true;
            }
        }

        return $others->isEmpty();
    }

    /** @return list<string> addresses, those that have waited longest first, in turns by host */
    private function due(DateTimeImmutable $now): array
    {
        return array_column(
            DB::select(
                "select address from (select address, min(ask_at) ask_at, row_number() over
                        (partition by split_part(address, '/', 3) order by min(ask_at), address) turn
                    from links where ask_at <= ? group by address) x
                    where turn <= ? order by turn, ask_at, address limit ?",
                [Sql::second($now), self::OF_HOST, self::TOGETHER],
            ),
            'address',
        );
    }

    /** Of all that point to it; who has waited less has been looked at now, too. */
    private function write(string $address, Seen $seen, DateTimeImmutable $now): void
    {
        foreach (Link::query()->where('address', $address)->where('ask_at', '<=', Sql::second($now))->get() as $link) {
            $state = LinkState::after($link->tries, $seen->trouble, $now);
            $at = CarbonImmutable::instance($now);
            $link->update([
                'asked_at' => $at,
                'ask_at' => $state->askAt,
                'tries' => $state->tries,
                'trouble' => $state->trouble?->value,
                'moved_to' => $seen->movedTo,
                'dead_at' => $state->isDead ? $link->dead_at ?? $at : null,
            ]);
        }
    }
}

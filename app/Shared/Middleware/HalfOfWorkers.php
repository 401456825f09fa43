<?php

declare(strict_types=1);

namespace App\Shared\Middleware;

use App\Models\Hold;
use App\Models\Loan;
use App\Models\Title;
use App\Shared\DatabaseFaults;
use App\Shared\WorkSlots;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * For what can keep a process that answers busy for long: half of them at most, so that others are answered meanwhile.
 * "title" is for writing on one title, where all wait for the same row; any other word for work of that kind.
 */
final class HalfOfWorkers
{
    /** A place is usually free again at once; whoever waits for one holds up others too. */
    private const WAIT_MILLISECONDS = 300;

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next, string $what): Response
    {
        $what = $what === 'title' ? 'title ' . self::titleId($request) : $what;
        $place = WorkSlots::take($what, max(1, intdiv((int) config('figporch.workers'), 2)), self::WAIT_MILLISECONDS);
        if ($place === null) {
            return DatabaseFaults::busy($request);
        }
        try {
            return $next($request);
        } finally {
            WorkSlots::free($what, $place);
        }
    }

    private static function titleId(Request $request): int
    {
        $of = $request->route('title') ?? ($request->route('loan') ?? $request->route('hold'));

        return match (true) {
            $of instanceof Title => $of->id,
            $of instanceof Loan, $of instanceof Hold => $of->title_id,
            default => 0,
        };
    }
}

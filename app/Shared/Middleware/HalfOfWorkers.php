<?php

declare(strict_types=1);

namespace App\Shared\Middleware;

use App\Models\Hold;
use App\Models\Loan;
use App\Models\ProtectedLoan;
use App\Models\Title;
use App\Shared\DatabaseFaults;
use App\Shared\WorkSlots;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * For what can keep a process that answers busy for long: half of them at most, so that others are answered meanwhile.
 * "title" is for writing on one title, where all wait for the same row; any other word for heavy work of that kind, of
 * which one person may have a little at a time.
 */
final class HalfOfWorkers
{
    /** A row is usually free again at once; a page takes a while to draw. Whoever waits holds up others too. */
    private const WAIT_MILLISECONDS = ['title' => 300, 'work' => 3000];

    private const OF_ONE_PERSON = 2;

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next, string $what): Response
    {
        $half = max(1, intdiv((int) config('figporch.workers'), 2));
        $places =
            $what === 'title'
                ? ['title ' . self::titleId($request) => $half]
                : ["{$what} of {$request->user()?->getAuthIdentifier()}" => self::OF_ONE_PERSON, $what => $half];
        $wait = self::WAIT_MILLISECONDS[$what === 'title' ? 'title' : 'work'];
        $taken = [];
        try {
            foreach ($places as $of => $many) {
                $place = WorkSlots::take($of, $many, $wait);
                if ($place === null) {
                    return DatabaseFaults::busy($request);
                }
                $taken[$of] = $place;
            }

            return $next($request);
        } finally {
            foreach ($taken as $of => $place) {
                WorkSlots::free($of, $place);
            }
        }
    }

    private static function titleId(Request $request): int
    {
        $of =
            $request->route('title') ??
            ($request->route('loan') ?? ($request->route('hold') ?? $request->route('protectedLoan')));

        return match (true) {
            $of instanceof Title => $of->id,
            $of instanceof Loan, $of instanceof Hold => $of->title_id,
            $of instanceof ProtectedLoan => $of->loan->title_id,
            default => 0,
        };
    }
}

<?php

declare(strict_types=1);

namespace App\Account\Almanac;

use App\Models\Title;
use App\Shared\Input;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Illuminate\View\View;

/** A person's own record of reading: seen by nobody else. */
final class AlmanacController
{
    private const WORD = 500;

    private const MOST_MINUTES = 1440;

    private const MOST_TITLES = 500;

    public function __construct(private readonly RequestContext $current, private readonly KeepAlmanac $keep) {}

    public function show(Request $request, Almanac $almanac): View
    {
        $person = $this->current->requiredPerson();
        $zone = $this->zone();
        $today = CarbonImmutable::now($zone)->startOfDay();
        if (!$person->keeps_history) {
            return view('account.almanac.off');
        }
        $words = Input::text($request, 'find');
        $leftOut = $request->boolean('left_out');
        $titles = $almanac->titles($person, $words, $leftOut);

        return view('account.almanac.almanac', [
            'drawing' => AlmanacDrawing::of($almanac->days($person, $today->subYear()->subDay(), $zone), $today),
            'finishedInMonth' => $almanac->finishedSince($person, $today->startOfMonth()),
            'finishedInYear' => $almanac->finishedSince($person, $today->startOfYear()),
            'pages' => $almanac->pages($person),
            'goals' => $person->goals ?? [],
            'titles' => $titles,
            'minutes' => $almanac->minutesOf($person, $titles->items()),
            'words' => $words,
            'leftOut' => $leftOut,
            'zone' => $zone,
        ]);
    }

    public function goals(Request $request): RedirectResponse
    {
        $goals = [];
        foreach (['minutes' => self::MOST_MINUTES, 'titles' => self::MOST_TITLES] as $name => $most) {
            $text = Input::text($request, $name);
            if ($text === '') {
                continue;
            }
            if (!ctype_digit($text) || (int) $text < 1 || (int) $text > $most) {
                throw ValidationException::withMessages([$name => __('almanac.bad_goal', ['most' => $most])]);
            }
            $goals[$name] = (int) $text;
        }
        $this->keep->goals($this->current->requiredPerson(), $goals);

        return redirect()->route('almanac')->with('said', __('almanac.goals_kept'));
    }

    public function judge(Request $request, Title $title): RedirectResponse
    {
        $stars = Input::text($request, 'stars');
        $this->keep->judge(
            $this->current->requiredPerson(),
            $title->id,
            in_array($stars, ['1', '2', '3', '4', '5'], true) ? (int) $stars : null,
            mb_substr(Input::text($request, 'word'), 0, self::WORD),
        ) || abort(404);

        return back()->with('said', __('account.settings_kept'));
    }

    public function finish(Request $request, Title $title): RedirectResponse
    {
        $this->keep->finish(
            $this->current->requiredPerson(),
            $title->id,
            $request->boolean('finished') ? CarbonImmutable::now() : null,
        ) || abort(404);

        return back()->with('said', __('account.settings_kept'));
    }

    public function leaveOut(Request $request, Title $title): RedirectResponse
    {
        $out = $request->boolean('out');
        $this->keep->leaveOut($this->current->requiredPerson(), $title->id, $out) || abort(404);

        return back()->with('said', __($out ? 'almanac.left' : 'almanac.taken_in', ['name' => $title->name]));
    }

    public function clear(Request $request): RedirectResponse
    {
        $all = $request->boolean('all');
        [$first, $last] = [Input::day($request, 'first_day'), Input::day($request, 'last_day')];
        if (!$all && ($first === null || $last === null || $last < $first)) {
            throw ValidationException::withMessages(['first_day' => __('almanac.bad_span')]);
        }
        $this->keep->clear($this->current->requiredPerson(), $all ? null : $first, $all ? null : $last, $this->zone());

        return redirect()->route('almanac')->with('said', __('almanac.cleared'));
    }

    private function zone(): DateTimeZone
    {
        return $this->current->library?->zone() ?? new DateTimeZone('UTC');
    }
}

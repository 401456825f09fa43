<?php

declare(strict_types=1);

namespace App\Exchange\Calendar;

use App\Lending\Loans\OpenLoans;
use App\Models\Person;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Response;
use Sabre\VObject\Component\VCalendar;

/** Due dates as an iCalendar feed (RFC 5545), for whoever knows the secret address. */
final class CalendarController
{
    private const MINUTES = 30;

    public function show(string $key, OpenLoans $openLoans): Response
    {
        $person = Person::query()->where('calendar_key', $key)->first() ?? abort(404);
        app()->setLocale($person->locale);
        $now = CarbonImmutable::now();
        $calendar = new VCalendar(['PRODID' => '-//Fig Porch//Due dates//EN', 'NAME' => __('account.calendar_name')]);
        foreach ($openLoans->of($person, $now) as $on) {
            $calendar->add('VEVENT', [
                'UID' => "loan-{$on->loan->id}@figporch",
                'DTSTAMP' => $now->utc(),
                'SUMMARY' => __('account.calendar_due', ['name' => $on->loan->title->name]),
                'DTSTART' => $on->loan->due_at->utc(),
                'DTEND' => $on->loan->due_at->utc()->addMinutes(self::MINUTES),
                'URL' => route('titles.show', $on->loan->title),
                'TRANSP' => 'TRANSPARENT',
            ]);
        }

        return response($calendar->serialize(), 200, [
            'Content-Type' => 'text/calendar; charset=utf-8',
            'Cache-Control' => 'private, max-age=900',
        ]);
    }

    public function renew(RequestContext $current, RenewAddress $renew): RedirectResponse
    {
        $renew($current->requiredPerson());

        return redirect()->route('settings')->with('said', __('account.calendar_made'));
    }
}

<x-layout :title="__('common.settings')" on="settings">
    <h1 class="text-3xl mb-5">{{ __('common.settings') }}</h1>
    <div class="grid lg:grid-cols-2 gap-x-10 gap-y-8">
        <div class="grid gap-8 content-start">
            <section aria-labelledby="cards">
                <p class="float-right"><a class="link text-[15px]" href="{{ route('classes.index', absolute: false)
                    }}">{{
                    __('classes.heading') }}</a></p>
                <h2 id="cards" class="text-xl mb-2">{{ trans_choice('preferences.your_cards', $cards->count()) }}</h2>
                <ul class="panel divide-y divide-rule">
                    @foreach ($cards as $card)<li class="px-4 py-3"><b>{{ $card->library->name }}</b><br><span
                        class="tabular-nums">{{ $card->number }}</span>@if ($card->expires_at !== null) <span
                        class="meta">· {{ __('account.card_until', ['date' =>
                        App\Shared\View\Dates::day($card->expires_at, $card->library->zone())])
                        }}</span>@endif<br><a class="link text-[15px]" href="{{ route('cards.show', $card, false)
                        }}">{{ __('preferences.show_card') }}<span class="sr-only">: {{ $card->library->name
                        }}</span></a></li>@endforeach
                </ul>
                <div class="mt-3">@include('account.sign-in.change-pin')</div>
            </section>
            @include('lending.loan-rules.lengths')
            <section aria-labelledby="calendar">
                <h2 id="calendar" class="text-xl mb-1">{{ __('preferences.calendar') }}</h2>
                <p class="mb-2">{{ __('preferences.calendar_text') }}</p>
                @if ($calendar !== null)<p class="panel px-4 py-3 mb-3 break-all"><a class="link"
                    href="{{ $calendar }}">{{ $calendar }}</a></p>@endif
                <form method="post" action="/settings/calendar">@csrf<button
                    class="btn btn-quiet">{{ __($calendar === null ? 'account.calendar_make' : 'account.calendar_renew')
                    }}</button></form>
            </section>
            <section aria-labelledby="history">
                <h2 id="history" class="text-xl mb-1">{{ __('common.history') }}</h2>
                <p class="mb-3">{{ __($keepsHistory ? 'account.history_on' : 'account.history_off') }}</p>
                <form method="post" action="/settings/history">@csrf<input type="hidden" name="keep"
                    value="{{ $keepsHistory ? 0 : 1 }}"><button class="btn btn-quiet">{{ __($keepsHistory ?
                    'account.history_stop' : 'account.history_start') }}</button></form>
            </section>
        </div>
        <div class="grid gap-8 content-start">
        <form method="post" action="/settings/notices" aria-labelledby="notices">
            @csrf
            @php($ways = ['shown' => 'account.shown_here', 'mailed' => 'account.by_mail'] +
                ($devices->isEmpty() ? [] : ['pushed' => 'account.on_devices']))
            @if ($devices->isNotEmpty())<input type="hidden" name="with_devices" value="1">@endif
            <h2 id="notices" class="text-xl mb-1">{{ __('common.notices') }}</h2>
            <p class="meta mb-2">{{ __('preferences.notices_text') }}</p>
            <div class="panel"><table class="w-full">
                <thead><tr class="text-left border-b border-rule"><th scope="col"
                    class="px-4 py-2 font-semibold">{{ __('preferences.tell_me') }}</th>@foreach ($ways as $words)<th
                    scope="col" class="px-2 py-2 font-semibold text-center">{{ __($words)
                    }}</th>@endforeach</tr></thead>
                <tbody>
                    @foreach ($notices as $kind => $choice)
                        <tr class="border-b border-rule last:border-0">
                            <th scope="row" class="px-4 py-2.5 text-left font-normal">{{
                                __("preferences.notice_kinds.{$kind}") }}</th>
                            @foreach ($ways as $way => $words)
                                <td class="px-2 text-center"><input type="checkbox" name="{{ $way }}[{{ $kind }}]"
                                    value="1" @checked($choice[$way]) aria-label="{{
                                        __("preferences.notice_kinds.{$kind}")
                                    }}, {{ __($words) }}" class="accent-shutter w-4.5 h-4.5 align-middle"></td>
                            @endforeach
                        </tr>
                    @endforeach
                </tbody>
            </table></div>
            <button class="btn btn-quiet mt-3">{{ __('preferences.keep_notices') }}</button>
        </form>
        @include('account.devices.signed-in')
        @include('exchange.push.devices')
        </div>
    </div>
</x-layout>

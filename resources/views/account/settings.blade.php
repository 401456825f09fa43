<x-layout :title="__('common.settings')" on="settings">
    <h1 class="text-3xl mb-5">{{ __('common.settings') }}</h1>
    <div class="grid lg:grid-cols-2 gap-x-10 gap-y-8">
        <div class="grid gap-8 content-start">
            <section aria-labelledby="cards">
                <h2 id="cards" class="text-xl mb-2">{{ trans_choice('account.your_cards', $cards->count()) }}</h2>
                <ul class="panel divide-y divide-rule">
                    @foreach ($cards as $card)<li class="px-4 py-3"><b>{{ $card->library->name }}</b><br><span class="tabular-nums">{{ $card->number }}</span>@if ($card->expires_at !== null) <span class="meta">· {{ __('account.card_until', ['date' => App\View\Dates::day($card->expires_at, $card->library->zone())]) }}</span>@endif</li>@endforeach
                </ul>
            </section>
            <form method="post" action="/settings/lengths" aria-labelledby="lengths">
                @csrf
                <h2 id="lengths" class="text-xl mb-1">{{ __('account.own_lengths') }}</h2>
                <p class="meta mb-2">{{ __('account.own_lengths_text') }}</p>
                <div class="panel px-4 py-2">
                    @foreach ($offered as $format => $of)
                        <label class="flex items-center justify-between gap-4 py-1.5"><span>{{ __("catalogue.formats.{$format}") }}</span>
                            <select name="length[{{ $format }}]" class="field py-1.5 min-h-9">
                                <option value="">{{ __('account.as_library') }}</option>
                                @foreach ($of as $code => $length)<option value="{{ $code }}" @selected(($lengths[$format] ?? null) === $code)>{{ trans_choice($length->inHours ? 'lending.hours' : 'lending.days', $length->amount) }}</option>@endforeach
                            </select>
                        </label>
                    @endforeach
                </div>
                <button class="btn btn-quiet mt-3">{{ __('account.keep_lengths') }}</button>
            </form>
            <section aria-labelledby="calendar">
                <h2 id="calendar" class="text-xl mb-1">{{ __('account.calendar') }}</h2>
                <p class="mb-2">{{ __('account.calendar_text') }}</p>
                @if ($calendar !== null)<p class="panel px-4 py-3 mb-3 break-all"><a class="link" href="{{ $calendar }}">{{ $calendar }}</a></p>@endif
                <form method="post" action="/settings/calendar">@csrf<button class="btn btn-quiet">{{ __($calendar === null ? 'account.calendar_make' : 'account.calendar_renew') }}</button></form>
            </section>
            <section aria-labelledby="history">
                <h2 id="history" class="text-xl mb-1">{{ __('common.history') }}</h2>
                <p class="mb-3">{{ __($keepsHistory ? 'account.history_on' : 'account.history_off') }}</p>
                <form method="post" action="/settings/history">@csrf<input type="hidden" name="keep" value="{{ $keepsHistory ? 0 : 1 }}"><button class="btn btn-quiet">{{ __($keepsHistory ? 'account.history_stop' : 'account.history_start') }}</button></form>
            </section>
        </div>
        <form method="post" action="/settings/notices" aria-labelledby="notices">
            @csrf
            <h2 id="notices" class="text-xl mb-1">{{ __('common.notices') }}</h2>
            <p class="meta mb-2">{{ __('account.notices_text') }}</p>
            <div class="panel"><table class="w-full">
                <thead><tr class="text-left border-b border-rule"><th scope="col" class="px-4 py-2 font-semibold">{{ __('account.tell_me') }}</th><th scope="col" class="px-2 py-2 font-semibold text-center">{{ __('account.shown_here') }}</th><th scope="col" class="px-4 py-2 font-semibold text-center">{{ __('account.by_mail') }}</th></tr></thead>
                <tbody>
                    @foreach ($notices as $kind => $choice)
                        <tr class="border-b border-rule last:border-0">
                            <th scope="row" class="px-4 py-2.5 text-left font-normal">{{ __("account.notice_kinds.{$kind}") }}</th>
                            @foreach (['shown' => 'account.shown_here', 'mailed' => 'account.by_mail'] as $way => $words)
                                <td class="px-2 text-center"><input type="checkbox" name="{{ $way }}[{{ $kind }}]" value="1" @checked($choice[$way]) aria-label="{{ __("account.notice_kinds.{$kind}") }}, {{ __($words) }}" class="accent-shutter w-4.5 h-4.5 align-middle"></td>
                            @endforeach
                        </tr>
                    @endforeach
                </tbody>
            </table></div>
            <button class="btn btn-quiet mt-3">{{ __('account.keep_notices') }}</button>
        </form>
    </div>
</x-layout>

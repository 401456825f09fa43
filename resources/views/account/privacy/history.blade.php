{{-- Whether a history is kept; turning it off erases it, after saying so. --}}
<section aria-labelledby="history">
    <h3 id="history" class="text-xl mb-1">{{ __('common.history') }}</h3>
    @if ($keepsHistory)<p class="mb-2"><a class="link" href="{{ route('almanac', [], false) }}">{{
        __('almanac.heading') }}</a></p>@endif
    <p class="mb-3">{{ __($keepsHistory ? 'account.history_on' : 'account.history_off') }}</p>
    @if ($keepsHistory)
        <details><summary class="btn btn-quiet inline-flex">{{ __('account.history_stop') }}</summary>
            <form method="post" action="/settings/history" class="mt-3 panel p-4">@csrf<input type="hidden" name="keep"
                value="0"><p class="mb-3">{{ __('privacy.history_goes') }}</p><p class="flex flex-wrap gap-3"><button
                class="btn">{{ __('privacy.history_erase') }}</button><a class="btn btn-quiet"
                href="{{ route('kept.take', [], false) }}">{{ __('own_cards.take_first') }}</a></p></form></details>
    @else
        <form method="post" action="/settings/history">@csrf<input type="hidden" name="keep" value="1"><button
            class="btn btn-quiet">{{ __('account.history_start') }}</button></form>
    @endif
</section>

<section aria-labelledby="notices-on-devices" data-push="{{ $pushKey }}" data-impossible="{{
    __('account.device_impossible') }}"
    data-denied="{{ __('account.device_denied') }}" data-failed="{{ __('account.device_failed') }}">
    <h3 id="notices-on-devices" class="text-xl mb-1">{{ __('account.devices') }}</h3>
    <p class="mb-3">{{ __('account.devices_text') }}</p>
    @if ($devices->isNotEmpty())
        <ul class="panel divide-y divide-rule mb-3">
            @foreach ($devices as $device)
                <li class="px-4 py-2.5 flex flex-wrap items-center justify-between gap-3"
                    data-endpoint="{{ hash('sha256', $device->endpoint) }}">
                    <span>{{ __('account.device_added', ['date' => App\Shared\View\Dates::day($device->added_at,
                        $zone)]) }}<span class="meta block">{{ $device->told_at === null ? __('account.device_untold') :
                        __('account.device_told', ['date' => App\Shared\View\Dates::day($device->told_at, $zone)])
                        }}</span></span>
                    <b data-this-device hidden>{{ __('account.this_device') }}</b>
                    <form method="post" action="/settings/devices/{{ $device->id }}/remove">@csrf<button
                        class="btn btn-plain">{{ __('account.device_remove') }}</button></form>
                </li>
            @endforeach
        </ul>
    @endif
    <p class="message bg-card border-clay mb-3" role="status" data-push-said hidden></p>
    <button type="button" class="btn btn-quiet" data-push-on hidden>{{ __('account.device_on') }}</button>
    <button type="button" class="btn btn-quiet" data-push-off hidden>{{ __('account.device_off') }}</button>
    <noscript><p class="meta">{{ __('account.device_impossible') }}</p></noscript>
</section>

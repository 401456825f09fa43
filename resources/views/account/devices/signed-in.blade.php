{{-- Where a person is signed in. --}}
<section aria-labelledby="signed-in">
    <h3 id="signed-in" class="text-xl mb-1">{{ __('devices.heading') }}</h3>
    <p class="mb-3">{{ __('devices.text') }}</p>
    <ul class="panel divide-y divide-rule mb-3">
        @foreach ($sessions as $session)
            @php($name = $session['app'] !== null ? trim(__('devices.app') . ' ' . $session['app']) :
                ($session['browser'] ?? __('devices.unknown')))
            <li class="px-4 py-2.5 flex flex-wrap items-center justify-between gap-3">
                <span>{{ $name }}<span class="meta block">{{
                    __('devices.used', ['date' => App\Shared\View\Dates::day($session['usedAt'], $zone)])
                    }}@if ($session['stays']) · {{ __('devices.stays') }}@endif</span></span>
                @if ($session['isThis'])<b>{{ __('devices.this_one') }}</b>@else<form method="post"
                    action="{{ route('sessions.end', $session['name'], false) }}">@csrf<button
                    class="btn btn-plain">{{ __('devices.end') }}<span class="sr-only">: {{ $name
                    }}</span></button></form>@endif
            </li>
        @endforeach
    </ul>
    @if (count($sessions) > 1)<form method="post" action="{{ route('sessions.end_others', [], false) }}">@csrf<button
        class="btn btn-quiet">{{ __('devices.end_others') }}</button></form>@endif
</section>

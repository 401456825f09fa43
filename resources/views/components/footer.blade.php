@props(['scheme' => 'system', 'about' => null])
<footer class="border-t border-rule">
    <div class="mx-auto max-w-[1280px] px-4 md:px-7 py-5 flex flex-wrap gap-x-8 gap-y-3 text-[15px] text-soft
        items-center">
        @if ($current->library !== null)
            <span>{{ $current->library->name }} · {{ $current->library->place }}</span>
        @endif
        @if ($about !== null && $current->library !== null)<a class="link" href="{{ route('letters.create', ['about' =>
            $about], false) }}">{{ __('letters.write') }}</a>@endif
        @if (! request()->is('desk', 'desk/*'))<a class="link" id="open-help" href="{{ $help = route('help.show',
            FigPorch\Core\Account\HelpSubject::forPage(request()->route()?->getName()), false) }}"
            hx-get="{{ $help }}" hx-target="#help-beside">{{ __('help.heading') }}</a>@else<a class="link"
            href="{{ route('desk.help', [], false) }}">{{ __('help.desk') }}</a>@endif
        @if ($about !== null)<button type="button" class="link cursor-pointer min-h-6" data-open-keys hidden>{{
            __('keys.open') }}</button>@endif
        @php($offered = $current->library->languages ?? array_keys(config('app.locales')))
        @if (count($offered) > 1)<form method="post" action="{{ route('preferences') }}" class="flex items-center
            gap-2">
            @csrf
            <span id="label-language">{{ __('common.language') }}</span>
            @foreach (array_intersect_key(config('app.locales'), array_flip($offered)) as $code => $name)
                <button name="locale" value="{{ $code }}" lang="{{ $code }}"
                    @class(['px-2 py-1.5 cursor-pointer', 'font-semibold text-ink' => app()->getLocale() === $code,
                    'underline' => app()->getLocale() !== $code]) @if (app()->getLocale() === $code) aria-pressed="true"
                    @endif>{{ $name }}</button>
            @endforeach
        </form>@endif
        <form method="post" action="{{ route('preferences') }}" class="flex items-center gap-2">
            @csrf
            <span>{{ __('common.scheme') }}</span>
            @foreach (['light', 'dark', 'system'] as $name)
                <button name="scheme" value="{{ $name }}" @class(['px-2 py-1.5 cursor-pointer', 'font-semibold text-ink'
                    => $scheme === $name, 'underline' => $scheme !== $name]) @if ($scheme === $name) aria-pressed="true"
                    @endif>{{ __("common.{$name}") }}</button>
            @endforeach
        </form>
    </div>
</footer>

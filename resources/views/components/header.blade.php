@props(['on' => null, 'unread' => 0])
@php
    $person = $current->person;
    $items = $person === null ? ['catalogue' => $current->link('/catalogue'), 'rooms' => $current->link('/rooms'),
            'baskets' => '/baskets']
        : ['porch' => '/porch', 'catalogue' => $current->link('/catalogue'), 'rooms' => $current->link('/rooms'),
            'loans' => '/loans', 'holds' =>
            '/holds', 'baskets' => '/baskets', 'requests' => '/requests',
            ...App\Lending\Classes\Teachers::cards($person) === [] ? [] : ['classes' => '/classes']];
@endphp
<header>
    <div class="bg-eave text-on-shutter px-4 md:px-7 py-3 flex flex-wrap items-center gap-x-5 gap-y-3 md:h-16">
        <a href="/" class="eave-link flex items-center gap-2.5 font-serif font-semibold text-2xl leading-none"
            aria-label="{{ __('common.home') }}">
            @if ($current->library?->logo !== null)<img src="{{ route('look.logo', $current->library->logo, false) }}"
                alt="{{ $current->library->short_name }}" class="h-10 w-auto max-w-40 bg-on-shutter rounded
                    p-0.5">@endif
            <x-fig />
            Fig Porch
        </a>
        @if ($current->library !== null)
            <div class="order-last md:order-none w-full md:w-auto md:flex-1 relative">
            <form action="{{ route('catalogue') }}" role="search"
                class="has-[#words:focus-visible]:outline-3 outline-ring outline-offset-2 flex bg-card text-ink
                rounded-control overflow-hidden h-10">
                <label for="words" class="sr-only">{{ __('common.search') }}</label>
                <input id="words" name="q" value="{{ request()->routeIs('catalogue') ?
                    App\Shared\Input::text(request(), 'q') : '' }}" placeholder="{{ __('common.search_hint') }}"
                    autocomplete="off" maxlength="400" role="combobox" aria-expanded="false" aria-controls="suggestions"
                    aria-autocomplete="list" hx-get="/suggest" hx-trigger="input changed delay:120ms"
                    hx-target="#suggestions" hx-sync="this:replace" hx-params="q"
                    class="focus-visible:outline-none flex-1 min-w-0 px-3.5 bg-transparent text-ellipsis
                    placeholder:text-soft">
                <kbd class="hidden lg:block self-center mr-2.5 text-soft border border-rule rounded px-1.5 text-[13px]"
                    aria-hidden="true">/</kbd>
                <label for="format" class="sr-only">{{ __('common.format') }}</label>
                <select id="format" name="format" class="hidden sm:block border-l border-rule px-2.5 bg-card">
                    <option value="">{{ __('common.all_formats') }}</option>
                    @foreach (\FigPorch\Core\Catalogue\Format::cases() as $format)
                        <option value="{{ $format->value }}" @selected(request()->routeIs('catalogue') &&
                            request()->query('format') === $format->value)>{{ __("catalogue.formats.{$format->value}")
                            }}</option>
                    @endforeach
                </select>
                @if ($current->libraries()->count() > 30)
                    <input type="hidden" name="library" value="{{ $current->library->slug }}">
                    <a class="border-l border-rule px-2.5 bg-card self-stretch flex items-center max-w-36 truncate"
                        href="{{ route('libraries.index', ['then' => request()->getRequestUri()], false) }}"><span
                        class="sr-only">{{ __('sign_in.another_library') }}: </span>{{ $current->library->short_name
                        }}</a>
                @elseif ($current->libraries()->count() > 1)
                    <label for="library" class="sr-only">{{ __('common.library') }}</label>
                    <select id="library" name="library" data-submit-on-change
                        class="border-l border-rule px-2.5 bg-card max-w-32 sm:max-w-36">
                        @foreach ($current->libraries() as $library)
                            <option value="{{ $library->slug }}" @selected($library->is($current->library))>{{
                                $library->short_name }}</option>
                        @endforeach
                    </select>
                @endif
                <button class="px-3.5 max-sm:px-2.5 border-l border-rule font-semibold cursor-pointer">{{
                    __('common.search') }}</button>
            </form>
            <div id="suggestions" class="absolute left-0 right-0 top-full mt-1 z-30 empty:hidden"></div>
            </div>
        @endif
        @if ($person !== null)
            <details class="sm:hidden ml-auto relative" data-menu>
                <summary class="list-none cursor-pointer font-semibold py-2 px-3 rounded-control border
                    border-on-shutter/60">{{ __('common.menu') }}@if ($unread > 0) <span class="text-lamp"
                    aria-label="{{ trans_choice('common.new_notices', $unread) }}">●</span>@endif</summary>
                <nav aria-label="{{ __('common.menu') }}" class="absolute right-0 top-full mt-2 w-64 bg-card text-ink
                    border border-rule rounded-panel p-2 z-20 grid text-base">
                    <p class="px-3 py-2 text-sm border-b border-rule mb-1"><x-who /></p>
                    <x-nav-items :items="$items" :on="$on" :unread="$unread" />
                </nav>
            </details>
        @endif
        <div id="who" @class(['ml-auto md:ml-0 text-right leading-tight text-sm', 'max-sm:hidden' => $person !== null])>
            @if ($person !== null)
                <x-who />
            @elseif ($current->library !== null)
                <a href="{{ route('sign-in') }}" class="eave-link font-semibold text-[15px] inline-block py-2.5 px-3.5
                    rounded-control border border-on-shutter/60">{{ __('common.sign_in') }}</a>
            @endif
        </div>
    </div>
    <svg class="block w-full h-3" aria-hidden="true"><defs><pattern id="scallop" width="20" height="12"
        patternUnits="userSpaceOnUse"><path d="M0 0a10 10 0 0 0 20 0z" fill="var(--color-eave)"/></pattern></defs><rect
        width="100%" height="12" fill="url(#scallop)"/></svg>
    <nav aria-label="{{ __('common.main_navigation') }}"
        @class(['mx-auto max-w-[1280px] px-4 md:px-7 pt-2 flex flex-wrap items-center gap-x-1 text-[15px]',
            'max-sm:hidden' =>
        $person !== null])>
        <x-nav-items :items="$items" :on="$on" :unread="$unread" apart />
    </nav>
</header>

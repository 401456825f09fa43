@props(['title', 'on' => null, 'staff' => null])
@php($scheme = in_array(request()->cookie('scheme'), ['light', 'dark'], true) ? request()->cookie('scheme') : 'system')
<!doctype html>
<html lang="{{ app()->getLocale() }}" data-scheme="{{ $scheme }}">
<x-head :title="$title.' · '.__('desk.desk')" />
<body>
    <a class="skip" href="#main">{{ __('common.skip') }}</a>
    <header>
        <div class="bg-eave text-on-shutter px-4 md:px-7 py-3 flex flex-wrap items-center gap-x-6 gap-y-2">
            <a href="/desk/today" class="eave-link flex items-center gap-2.5 font-serif font-semibold text-2xl
                leading-none"><x-fig /> Fig Porch <span class="font-sans font-normal text-[17px]">{{ __('desk.desk')
                }}</span></a>
            @if ($staff !== null)
                <div class="ml-auto flex items-center gap-4 text-sm leading-tight"><a href="/desk/own"
                    class="eave-link text-right" @if ($on === 'own') aria-current="page" @endif><b
                    class="text-[15px]">{{ $staff->name }}</b><br>{{ $staff->library->name }}</a>
                    <form method="post" action="/desk/sign-out">@csrf<button
                        class="py-2.5 px-3.5 rounded-control border border-on-shutter/60 cursor-pointer font-semibold
                        text-[15px]">{{ __('common.sign_out') }}</button></form></div>
                <nav aria-label="{{ __('desk.navigation') }}" class="w-full flex flex-wrap gap-1 -mx-3 text-[15px]">
                    @foreach (App\Desk\SignIn\DeskRooms::of($staff) as $room)<a href="/desk/{{ $room }}"
                        @class(['eave-link px-3 py-1.5 rounded-md', 'bg-shutter-dark font-semibold' => $on === $room])
                        @if ($on === $room) aria-current="page" @endif>{{ __("desk.rooms.{$room}") }}</a>@endforeach
                </nav>
            @endif
        </div>
        <svg class="block w-full h-3" aria-hidden="true"><defs><pattern id="scallop" width="20" height="12"
            patternUnits="userSpaceOnUse"><path d="M0 0a10 10 0 0 0 20 0z"
            fill="var(--color-eave)"/></pattern></defs><rect width="100%" height="12" fill="url(#scallop)"/></svg>
    </header>
    <main id="main" tabindex="-1" class="mx-auto max-w-[1280px] px-4 md:px-7 pt-4 pb-16 focus:outline-none">
        @if (session('said') || session('refusal') || $errors->any())<div role="status"><x-said :said="session('said')"
            :message="session('refusal') ?? ($staff !== null ? $errors->first() : null)" /></div>@endif
        {{ $slot }}
    </main>
    <x-account.leaving />
    <x-footer :scheme="$scheme" />
</body>
</html>

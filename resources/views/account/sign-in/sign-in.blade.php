<x-layout :title="__('common.sign_in')">
    <div class="max-w-md mx-auto mt-8">
        <h1 class="text-3xl mb-5">{{ __('account.sign_in_to', ['library' => $current->library->name]) }}</h1>
        @if (($school = $ways->schoolSignIn()) !== null)
            <div class="panel p-6 mb-4"><a class="btn w-full justify-center" href="{{ route('school.begin', ['library'
                => $current->library->slug], false) }}">{{ __('sign_in.with_school', ['school' => $school->name])
                }}</a><p class="mt-3 text-center"><a class="link text-[15px]" href="{{ route('school.begin', ['library'
                => $current->library->slug, 'shared' => 1], false) }}">{{ __('sign_in.with_school_shared') }}</a></p>
            </div>
            @if ($ways->with_cards)<h2 class="text-xl mb-3">{{ __('sign_in.or_card') }}</h2>@endif
        @endif
        @if ($ways->with_cards)
        <form method="post" action="{{ route('sign-in.store', [], false) }}" class="panel p-6 grid gap-4">
            @csrf
            @if ($errors->any())
                <div class="message border-clay" role="alert"
                    id="sign-in-error">@foreach ($errors->all() as $error)<p>{{ $error }}</p>@endforeach</div>
            @endif
            <div class="grid gap-1.5">
                <label for="number" class="font-semibold">{{ __('sign_in.card_number') }}</label>
                <input id="number" name="number" value="{{ old('number') }}" class="field" inputmode="numeric"
                    autocomplete="username" required maxlength="40" @if ($errors->any())
                    aria-describedby="sign-in-error" aria-invalid="true" @endif @if ($ways->school === null) autofocus
                        @endif>
            </div>
            <div class="grid gap-1.5">
                <label for="pin" class="font-semibold">{{ __('sign_in.pin') }}</label>
                <input id="pin" name="pin" type="password" class="field" inputmode="numeric"
                    autocomplete="current-password" required maxlength="64" @if ($errors->any())
                    aria-describedby="sign-in-error" aria-invalid="true" @endif>
            </div>
            <label class="flex gap-2.5 items-start"><input type="checkbox" name="long" value="1"
                @checked(old('long')) class="accent-shutter w-4.5 h-4.5 mt-0.5 flex-none"><span>{{
                    __('sign_in.stay_signed_in')
                }}<span class="meta block">{{ __('sign_in.stay_signed_in_hint') }}</span></span></label>
            <label class="flex gap-2.5 items-start"><input type="checkbox" name="shared" value="1"
                @checked(old('shared')) class="accent-shutter w-4.5 h-4.5 mt-0.5 flex-none"><span>{{
                __('account.shared_computer') }}<span class="meta block">{{
                __('account.shared_computer_hint') }}</span></span></label>
            <button class="btn">{{ __('common.sign_in') }}</button>
        </form>
        @if ($ways->system === null)<p class="mt-4"><a class="link" href="{{ route('pin.forgotten', [], false) }}">{{
            __('sign_in.forgotten_pin')
            }}</a></p>@endif
        <p class="mt-2">{{ __('sign_in.lost_pin', ['contact' => $current->library->pin_contact]) }}</p>
        @endif
        @if ($current->libraries()->count() > 1)
            <p class="mt-2"><a class="link" href="{{ route('libraries.index', ['then' => '/sign-in'], false) }}">{{
                __('sign_in.other_library') }}</a></p>
        @endif
        @if ($demoCards !== [])
            <div class="mt-6 bg-board rounded-panel p-4 text-[15px]">
                <p class="font-semibold mb-1">{{ __('sign_in.demo_cards') }}</p>
                <ul>@foreach ($demoCards as $card)<li>{{ $card['name'] }}: <code>{{ $card['number'] }}</code>, PIN
                    <code>{{ $card['pin'] }}</code></li>@endforeach</ul>
            </div>
        @endif
    </div>
</x-layout>

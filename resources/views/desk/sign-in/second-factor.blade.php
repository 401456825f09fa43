@use('App\Desk\SignIn\SecondFactor')
@use('FigPorch\Core\Account\OneTimeCode')
<x-desk.layout :title="__('staff.second')" on="own" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="{{ route('desk.own') }}">{{ __('staff.own') }}</a></p>
    <h1 class="text-3xl mb-2">{{ __('staff.second') }}</h1>
    <p class="mb-4 max-w-[70ch]">{{ __('staff.second_text') }}</p>
    <form method="post" action="{{ route('desk.own.second.on') }}" class="panel p-5 grid gap-4 max-w-xl"
        data-send-once>
        @csrf
        <canvas data-qr="{{ SecondFactor::address($staff, $secret) }}" class="w-52" role="img"
            aria-label="{{ __('staff.second_key') }}"></canvas>
        <p>{{ __('staff.second_key') }}: <code class="text-lg break-all">{{ implode(' ',
            str_split(OneTimeCode::base32($secret), 4)) }}</code></p>
        <x-desk.field name="code" max="20" :label="__('staff.code')" autocomplete="one-time-code"
            inputmode="numeric" />
        <div><button class="btn">{{ __('staff.second_on') }}</button></div>
    </form>
</x-desk.layout>

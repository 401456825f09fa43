<x-layout :title="__('sign_in.forgotten_pin')">
    <div class="max-w-md mx-auto mt-8">
        <h1 class="text-3xl mb-2">{{ __('sign_in.forgotten_pin') }}</h1>
        <p class="mb-5">{{ __('sign_in.forgotten_pin_text', ['library' => $current->library->name]) }}</p>
        <form method="post" action="{{ route('pin.send', [], false) }}" class="panel p-6 grid gap-4">
            @csrf
            @if ($errors->any())<p class="message border-clay" role="alert" id="number-error">{{ $errors->first() }}</p>
            @endif
            <div class="grid gap-1.5">
                <label for="number" class="font-semibold">{{ __('sign_in.card_number') }}</label>
                <input id="number" name="number" value="{{ old('number') }}" class="field" autocomplete="username"
                    required maxlength="40" @if ($errors->any()) aria-describedby="number-error" aria-invalid="true"
                    @endif autofocus>
            </div>
            <button class="btn">{{ __('sign_in.send_pin_link') }}</button>
        </form>
        <p class="mt-4"><a class="link" href="{{ route('sign-in', [], false) }}">{{ __('common.sign_in') }}</a></p>
    </div>
</x-layout>

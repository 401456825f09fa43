<x-layout :title="__('sign_in.choose_pin')">
    <div class="max-w-md mx-auto mt-8">
        <h1 class="text-3xl mb-2">{{ __('sign_in.choose_pin') }}</h1>
        <p class="mb-5">{{ __('sign_in.choose_pin_text', ['library' => $card->library->name,
            'ending' => substr($card->number, -4)]) }}</p>
        <form method="post" action="{{ route('pin.store', $key, false) }}" class="panel p-6 grid gap-4">
            @csrf
            @if ($errors->any())<p class="message border-clay" role="alert" id="pin-error">{{ $errors->first() }}</p>
            @endif
            <div class="grid gap-1.5">
                <label for="new_pin" class="font-semibold">{{ __('sign_in.new_pin') }}</label>
                <p class="meta" id="new-pin-hint">{{ __('sign_in.new_pin_hint') }}</p>
                <input id="new_pin" name="new_pin" type="password" class="field" inputmode="numeric"
                    autocomplete="new-password" required maxlength="12" autofocus
                    aria-describedby="new-pin-hint @if ($errors->any()) pin-error @endif">
            </div>
            <button class="btn">{{ __('sign_in.set_pin') }}</button>
        </form>
    </div>
</x-layout>

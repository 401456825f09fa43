{{-- Another PIN for a card, with the old one. --}}
@php($wrong = $errors->first('pin') ?: $errors->first('new_pin'))
<details @if ($wrong !== '') open @endif>
    <summary class="link cursor-pointer">{{ __('sign_in.change_pin') }}</summary>
    <p class="meta my-2" id="new-pin-hint">{{ __('sign_in.new_pin_hint') }}</p>
    @if ($wrong !== '')<p class="message border-clay mb-3" role="alert" id="change-pin-error">{{ $wrong
        }}</p>@endif
    @foreach ($cards as $card)
        <form method="post" action="{{ route('settings.pin', $card, false) }}" class="panel p-4 mb-3 grid gap-3">
            @csrf
            @if ($cards->count() > 1)<p class="font-semibold">{{ $card->library->name }}</p>@endif
            <div class="grid sm:grid-cols-2 gap-3"><label class="grid gap-1">{{ __('sign_in.old_pin') }}<input
                name="pin" type="password" inputmode="numeric" autocomplete="current-password" required maxlength="64"
                class="field min-w-0" @if ($errors->has('pin')) aria-invalid="true"
                aria-describedby="change-pin-error" @endif></label><label class="grid gap-1">{{
                __('sign_in.new_pin') }}<input
                name="new_pin" type="password" inputmode="numeric" autocomplete="new-password" required
                maxlength="12" class="field min-w-0" @if ($errors->has('new_pin'))
                aria-invalid="true" aria-describedby="new-pin-hint change-pin-error" @else
                aria-describedby="new-pin-hint" @endif></label></div>
            <div><button class="btn btn-quiet">{{ __('sign_in.set_pin') }}</button></div>
        </form>
    @endforeach
</details>

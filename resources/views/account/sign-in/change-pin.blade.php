{{-- Another PIN for a card, with the old one. --}}
<section aria-labelledby="pin-heading">
    <h2 id="pin-heading" class="text-xl mb-2">{{ __('account.change_pin') }}</h2>
    @if ($errors->has('pin') || $errors->has('new_pin'))<p class="message border-clay mb-3" role="alert">{{
        $errors->first('pin') ?: $errors->first('new_pin') }}</p>@endif
    @foreach ($cards as $card)
        <form method="post" action="{{ route('settings.pin', $card, false) }}" class="panel p-4 mb-3 grid gap-3">
            @csrf
            @if ($cards->count() > 1)<p class="font-semibold">{{ $card->library->name }}</p>@endif
            <div class="grid sm:grid-cols-2 gap-3"><label class="grid gap-1">{{ __('account.old_pin') }}<input
                name="pin" type="password" inputmode="numeric" autocomplete="current-password" required maxlength="64"
                class="field min-w-0"></label><label class="grid gap-1">{{ __('account.new_pin') }}<input
                name="new_pin" type="password" inputmode="numeric" autocomplete="new-password" required
                maxlength="12" class="field min-w-0" aria-describedby="new-pin-hint"></label></div>
            <div><button class="btn btn-quiet">{{ __('account.set_pin') }}</button></div>
        </form>
    @endforeach
    <p class="meta" id="new-pin-hint">{{ __('account.new_pin_hint') }}</p>
</section>

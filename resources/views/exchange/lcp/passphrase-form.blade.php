@use('FigPorch\Core\Exchange\Lcp\Passphrase')
<form method="post" action="{{ route('settings.passphrase', absolute: false) }}" class="panel p-4 mt-2 grid gap-3
    max-w-md">@csrf
    <div class="grid gap-1"><label for="passphrase">{{ __('lcp.passphrase') }}</label><input id="passphrase"
        name="passphrase" type="password" required minlength="{{ Passphrase::LEAST }}"
        maxlength="{{ Passphrase::MOST }}" autocomplete="new-password" class="field w-full"
        aria-describedby="passphrase-hint"><p id="passphrase-hint"
        class="meta">{{ __('lcp.passphrase_hint') }}</p>@error('passphrase')<p class="text-clay">{{ $message
        }}</p>@enderror</div>
    <div class="grid gap-1"><label for="hint">{{ __('lcp.hint') }}</label><input id="hint" name="hint" required
        maxlength="200" autocomplete="off" class="field w-full" value="{{ old('hint') }}"
        aria-describedby="hint-hint"><p id="hint-hint" class="meta">{{ __('lcp.hint_hint') }}</p>@error('hint')<p
        class="text-clay">{{ $message }}</p>@enderror</div>
    <button class="btn justify-self-start">{{ __('lcp.set') }}</button>
</form>

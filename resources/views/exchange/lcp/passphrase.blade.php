{{-- What opens a person's protected files: $passphrase, null where none is set. --}}
<p class="mb-2">{{ __('lcp.text') }}</p>
<p class="mb-3 break-words">{{ $passphrase === null ? __('lcp.none') : __('lcp.is', ['date' =>
    App\Shared\View\Dates::day($passphrase->kept_at, $zone), 'hint' => $passphrase->hint]) }}</p>
<details @if ($passphrase === null || $errors->hasAny(['passphrase', 'hint'])) open @endif><summary
    class="link cursor-pointer">{{ __($passphrase === null ? 'lcp.set' : 'lcp.change') }}</summary>
    <form method="post" action="{{ route('settings.passphrase', absolute: false) }}" class="panel p-4 mt-2 grid gap-3
        max-w-md">@csrf
        @if ($passphrase !== null)<p>{{ __('lcp.change_text') }}</p>@endif
        <label class="grid gap-1"><span>{{ __('lcp.passphrase') }}</span><input name="passphrase" type="password"
            required minlength="{{ FigPorch\Core\Exchange\Lcp\Passphrase::LEAST }}" maxlength="{{
            FigPorch\Core\Exchange\Lcp\Passphrase::MOST }}" autocomplete="new-password" class="field w-full"
            aria-describedby="passphrase-hint"><span id="passphrase-hint" class="meta">{{ __('lcp.passphrase_hint')
            }}</span>@error('passphrase')<span class="text-clay">{{ $message }}</span>@enderror</label>
        <label class="grid gap-1"><span>{{ __('lcp.hint') }}</span><input name="hint" required maxlength="200"
            autocomplete="off" class="field w-full" value="{{ old('hint') }}" aria-describedby="hint-hint"><span
            id="hint-hint" class="meta">{{ __('lcp.hint_hint') }}</span>@error('hint')<span class="text-clay">{{
            $message }}</span>@enderror</label>
        <button class="btn justify-self-start">{{ __('lcp.set') }}</button>
    </form></details>

{{-- What opens a person's protected files: $passphrase, null where none is set. --}}
<p class="mb-2">{{ __('lcp.text') }}</p>
@if ($passphrase === null)
    @include('exchange.lcp.passphrase-form')
@else
    <p class="mb-2 break-words">{{ __('lcp.is', ['date' => App\Shared\View\Dates::day($passphrase->kept_at, $zone),
        'hint' => $passphrase->hint]) }}</p>
    <details @if ($errors->hasAny(['passphrase', 'hint'])) open @endif><summary class="link cursor-pointer">{{
        __('lcp.change') }}</summary>
        <p class="mt-2 max-w-md">{{ __('lcp.change_text') }}</p>
        @include('exchange.lcp.passphrase-form')
    </details>
@endif

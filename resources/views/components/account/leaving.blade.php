{{-- On a shared computer: that one is about to be signed out. --}}
@use(FigPorch\Core\Account\Stay)
@if (App\Account\SignIn\SessionLimit::of(session()->driver()) === Stay::Shared && ($current->person !== null ||
    auth('staff')->check()))
    <noscript><meta http-equiv="refresh" content="{{ Stay::Shared->idleSeconds() + 5 }}; url=/sign-in"></noscript>
    <div id="leaving" role="alert" hidden data-seconds="{{ Stay::Shared->idleSeconds() }}"
        data-warned="{{ Stay::WARNED_SECONDS }}" class="message bg-card border-clay fixed inset-x-4 top-4 z-50 max-w-xl
        mx-auto flex flex-wrap items-center gap-3 shadow-lg">
        <span>{!! __('devices.leaving', ['seconds' => '<b data-left aria-hidden="true">'.Stay::WARNED_SECONDS.'</b>'])
            !!}</span>
        <button type="button" class="btn">{{ __('devices.stay') }}</button>
    </div>
@endif

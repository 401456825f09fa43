@props(['said' => null, 'message' => null, 'undo' => null])
@if ($said)
    <div class="message bg-haint border-haint-deep mb-4 flex flex-wrap items-center gap-3">
        <span>{{ $said }}</span>
        @if ($undo)
            <form method="post" action="{{ route('loans.undo-return', $undo) }}">@csrf<button
                class="btn btn-plain">{{ __('common.undo') }}</button></form>
        @endif
    </div>
@endif
@if ($message)
    <div class="message bg-card border-clay mb-4"><strong class="text-clay" aria-hidden="true">!
        </strong>{{ $message }}@if (! request()->is('desk', 'desk/*') && $current->library !== null) <a class="link"
            href="{{ route('help.show', FigPorch\Core\Account\HelpSubject::forPage(request()->route()?->getName()),
            false) }}">{{ __('help.more') }}</a> · <a class="link"
            href="{{ route('letters.create', ['about' => mb_substr(request()->getRequestUri().': '.$message, 0, 300)],
            false) }}">{{ __('letters.write') }}</a>@endif</div>
@endif

{{-- How far a file is; asked for anew while it is being made. --}}
@if ($file->isReady())
    <div class="panel p-5" role="status"><p class="mb-3">{{ __('prepared.ready') }}</p><a class="btn"
        href="{{ route('prepared.file', [$loan, $file], false) }}">{{ __('prepared.save') }} <span
        class="font-normal">({{ Illuminate\Support\Number::fileSize((int) filesize($file->path())) }})</span></a><p
        class="meta mt-3">{{ __('prepared.until') }}</p></div>
@elseif ($file->failed_at !== null || $file->ready_at !== null)
    <div class="panel p-5" role="status"><p class="mb-3">{{ __('prepared.failed') }}</p><form method="post"
        action="{{ route('prepared.again', [$loan, $file], false) }}">@csrf<button
        class="btn">{{ __('prepared.again') }}</button></form></div>
@else
    <div class="panel p-5" role="status" hx-get="{{ route('prepared.show', [$loan, $file], false) }}"
        hx-trigger="every 1s" hx-target="#prepared"><p class="mb-2">{{ trans_choice('prepared.waiting', $ahead) }}</p>
        <progress class="reading-progress" max="1" @if ($file->share > 0) value="{{ round($file->share, 2) }}" @endif
        aria-label="{{ __('prepared.heading') }}"></progress>
        <p class="meta mt-2">{{ __('prepared.may_close') }}</p></div>
@endif

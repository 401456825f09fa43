{{-- Back, play, on; where there are parts, to the one before and the next. --}}
@if (count($parts) > 1)<button type="button" id="before" aria-label="{{ __("player.part_before.{$format}") }}"><svg
    viewBox="0 0 24 24" aria-hidden="true"><path d="M5 5h3v14H5zM20 5v14L9 12z"/></svg></button>@endif
<button type="button" id="back"><span aria-hidden="true">−15</span></button>
<button type="button" id="play" class="player-play"><svg viewBox="0 0 24 24" aria-hidden="true"><path
    class="sign-play" d="M7 4l13 8-13 8z"/><path class="sign-pause" d="M6 4h4v16H6zM14 4h4v16h-4z"/></svg><span
    class="sr-only" id="play-word">{{ __('reading.play') }}</span></button>
<button type="button" id="on"><span aria-hidden="true">+15</span></button>
@if (count($parts) > 1)<button type="button" id="after" aria-label="{{ __("player.part_after.{$format}") }}"><svg
    viewBox="0 0 24 24" aria-hidden="true"><path d="M16 5h3v14h-3zM4 5l11 7-11 7z"/></svg></button>@endif

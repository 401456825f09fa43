{{-- At the edge of every page while something is heard; it is put there by a script. --}}
@use(App\Shared\View\TitleText)
<aside id="player" class="player-small" data-format="{{ $title->format->value }}"
    aria-label="{{ __('player.now_playing') }}">
    <script type="application/json" id="player-data">{!! App\Reading\Player\PlayerData::json($title, $parts, $loan,
        $place) !!}</script>
    <div id="notice" role="status" class="empty:hidden w-full flex flex-wrap gap-3 items-center text-[15px]"></div>
    <div class="player-small-row">
        <div class="player-small-name"><a class="link font-semibold block truncate"
            href="{{ App\Lending\Loans\Opening::of($loan) }}" title="{{ __('player.open') }}">{{ TitleText::name($title)
            }}</a><span class="meta block truncate" id="part-name"></span></div>
        <div class="player-keys">@include('reading.player.keys', ['parts' => [], 'format' => ''])</div>
        @include('reading.player.seek')
        <span class="meta empty:hidden" id="sleep-left"></span>
        <button type="button" class="btn btn-plain" id="stop">{{ __('player.stop') }}</button>
    </div>
    <audio id="media" preload="metadata" src="{{ $parts[0]['address'] }}"></audio>
</aside>

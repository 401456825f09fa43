{{-- Where it is in the whole, and where one would like to be. --}}
@php($total = array_sum(array_column($parts, 'seconds')))
<div class="player-seek">
    <span class="tabular-nums" id="now">0:00</span>
    <span class="relative flex-1 h-8 flex items-center">
        <svg id="seek-drawing" viewBox="0 0 1000 12" preserveAspectRatio="none" aria-hidden="true"><rect
            class="seek-ground" x="0" y="3" width="1000" height="6" rx="3"/><rect class="seek-done"
            id="seek-done" x="0" y="3" width="0" height="6"
            rx="3"/>@php($at = 0)@foreach (array_slice($parts, 0, -1) as $part)@php($at +=
            $part['seconds'])<rect class="seek-mark" x="{{ round(1000 * $at / max(1, $total), 1) - 1.5 }}" y="0"
            width="3" height="12"/>@endforeach</svg>
        <input id="seek" type="range" min="0" max="{{ round($total, 1) }}" step="1" value="0"
            aria-label="{{ __('player.where_playing') }}">
    </span>
    <span class="tabular-nums" id="total">{{ App\Shared\View\TitleText::clock($total) }}</span>
</div>

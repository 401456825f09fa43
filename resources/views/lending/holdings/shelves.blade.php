{{-- The shelves on which a title stands. Whether copies are in is asked for after the page, where it can be asked. --}}
@use('App\Lending\Holdings\AskedSystems')
@use('App\Lending\Holdings\ElsewhereText')
@use('App\Shared\View\Dates')
<ul class="grid gap-2" aria-live="polite" @if ($at === null && AskedSystems::know($holdings))
    hx-get="{{ route('shelves', $title, false) }}" hx-trigger="load" hx-swap="outerHTML" @endif>
    @foreach ($holdings as $holding)
        @php($now = $at[$holding->id] ?? null)
        <li><span class="font-semibold">{{ ElsewhereText::holding($holding) }}</span>
            @if ($holding->copies > 1)<span class="text-soft">· {{ trans_choice('holdings.copies', $holding->copies)
                }}</span>@endif
            @if ($now !== null)<span @class(['block', 'text-lamp-text font-semibold' => $now->in > 0])>{{ match (true) {
                $now->known === 0 => __('holdings.ask_there'),
                $now->in > 0 && $holding->copies > 1 => __('holdings.in_of', ['in' => $now->in,
                    'of' => $holding->copies]),
                $now->in > 0 => __('holdings.in'),
                $now->known < $holding->copies => __('holdings.ask_there'),
                $now->dueAt !== null => __('holdings.out_until', ['date' => Dates::day($now->dueAt,
                    $holding->library->zone())]),
                default => __('holdings.out'),
            } }}</span>@endif</li>
    @endforeach
</ul>

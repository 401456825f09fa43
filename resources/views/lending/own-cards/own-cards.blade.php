{{-- A person's cards, on the page of settings. --}}
@use('App\Shared\View\Dates')
<ul class="panel divide-y divide-rule">
    @foreach ($cards as $card)
        <li class="px-4 py-3">
            <div class="flex flex-wrap items-baseline justify-between gap-x-4"><b>{{ $card->own_name ??
                $card->library->name }}</b>@if ($cards->count() > 1 && $loop->first)<span class="chip">{{
                __('own_cards.is_first') }}</span>@endif</div>
            @if ($card->own_name !== null)<span class="block">{{ $card->library->name }}</span>@endif
            <span class="tabular-nums">{{ $card->number }}</span>@if ($card->expires_at !== null) <span
                class="meta">· {{ __('account.card_until', ['date' => Dates::day($card->expires_at,
                $card->library->zone())]) }}</span>@endif
            <div class="flex flex-wrap items-center gap-x-4 gap-y-1 text-[15px]"><a class="link py-1"
                href="{{ route('cards.show', $card, false) }}">{{ __('preferences.show_card') }}<span
                class="sr-only">: {{ $card->library->name }}</span></a>
                @if ($cards->count() > 1)
                    @if (! $loop->first)<form method="post" action="{{ route('own_cards.first', $card, false)
                        }}">@csrf<button class="btn btn-plain">{{ __('own_cards.put_first') }}<span class="sr-only">:
                        {{ $card->library->name }}</span></button></form>@endif
                    <form method="post" action="{{ route('own_cards.remove', $card, false) }}">@csrf<button
                        class="btn btn-plain">{{ __('own_cards.remove') }}<span class="sr-only">: {{
                        $card->library->name }}</span></button></form>
                    <details><summary class="link cursor-pointer py-1">{{ __('own_cards.rename') }}<span
                        class="sr-only">: {{ $card->library->name }}</span></summary><form method="post"
                        action="{{ route('own_cards.name', $card, false) }}" class="flex flex-wrap gap-2 items-end
                        py-2">@csrf<label class="grid gap-1">{{ __('own_cards.name') }}<input name="own_name"
                        value="{{ $card->own_name }}" maxlength="40" class="field"></label><button
                        class="btn btn-quiet">{{ __('own_cards.rename') }}</button></form></details>
                @endif
            </div>
        </li>
    @endforeach
</ul>
@include('lending.household.adults')
@if ($current->libraries()->count() > 1)<p class="mt-3"><a class="link" href="{{ route('own_cards.create', [], false)
    }}">{{ __('own_cards.add') }}</a></p>@endif

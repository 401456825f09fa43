@props(['on', 'renewable' => false, 'short' => null])
@if ($on->hasFile)<a class="btn" href="{{ App\Lending\Loans\Opening::of($on->loan) }}">{{
    App\Lending\Loans\Opening::verb($on->loan->title->format) }}<span class="sr-only">:
    {{ $on->loan->title->name }}</span></a>@endif
@if ($renewable)<form method="post" action="/loans/{{ $on->loan->id }}/renew">@csrf<button
    class="btn btn-quiet">{{ __('lending.renew') }}<span class="sr-only">:
    {{ $on->loan->title->name }}</span></button></form>@endif
@if (($short['until'] ?? null) !== null)<form method="post"
    action="{{ route('loans.longer', $on->loan, false) }}">@csrf<button class="btn btn-quiet">{{
    __('loans.keep_longer') }}<span class="sr-only">: {{ $on->loan->title->name }}</span></button></form>
@elseif (($short['line'] ?? null) !== null && ! $short['hold'])<form method="post"
    action="{{ route('holds.place', ['title' => $on->loan->title, 'library' => $on->loan->card->library->slug], false)
    }}">@csrf<button class="btn btn-quiet">{{ __('borrowing.place_hold') }}<span class="sr-only">:
    {{ $on->loan->title->name }}</span></button></form>@endif
<form method="post" action="{{ route('loans.return', $on->loan, false) }}">@csrf<button
    class="btn btn-plain">{{ __('lending.return') }}<span class="sr-only">:
    {{ $on->loan->title->name }}</span></button></form>

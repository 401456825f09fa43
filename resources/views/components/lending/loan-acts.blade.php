@props(['on', 'renewable' => false])
@if ($on->hasFile)<a class="btn" href="{{ App\Lending\Loans\Opening::of($on->loan) }}">{{
    App\Lending\Loans\Opening::verb($on->loan->title->format) }}<span class="sr-only">:
    {{ $on->loan->title->name }}</span></a>@endif
@if ($renewable)<form method="post" action="/loans/{{ $on->loan->id }}/renew">@csrf<button
    class="btn btn-quiet">{{ __('lending.renew') }}<span class="sr-only">:
    {{ $on->loan->title->name }}</span></button></form>@endif
<form method="post" action="{{ route('loans.return', $on->loan, false) }}">@csrf<button
    class="btn btn-plain">{{ __('lending.return') }}<span class="sr-only">:
    {{ $on->loan->title->name }}</span></button></form>

@props(['on'])
@if ($on->hasFile)<a class="btn" href="{{ route('read.show', $on->loan, false) }}">{{ __('lending.read') }}<span class="sr-only">: {{ $on->loan->title->name }}</span></a>@endif
<form method="post" action="{{ route('loans.return', $on->loan, false) }}">@csrf<button class="btn btn-plain">{{ __('lending.return') }}<span class="sr-only">: {{ $on->loan->title->name }}</span></button></form>

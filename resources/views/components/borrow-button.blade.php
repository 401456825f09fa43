@props(['title', 'quiet' => false])
<a id="borrow-{{ $title->id }}" @class(['btn', 'btn-quiet' => $quiet]) href="{{ route('borrow.show', $title, false) }}" @if ($current->card() !== null) hx-get="{{ route('borrow.show', $title, false) }}" hx-target="#panel-{{ $title->id }}" @endif>{{ __('lending.borrow') }}<span class="sr-only">: {{ $title->name }}</span></a>

@php use App\View\Dates; @endphp
<form method="post" action="{{ route('borrow.store', $title, false) }}" @if (request()->hasHeader('HX-Request')) hx-post="{{ route('borrow.store', $title, false) }}" hx-target="#action-{{ $title->id }}" hx-swap="outerHTML" hx-disabled-elt="find .btn" data-closable @endif class="panel p-4 mt-1 w-full">
    @csrf
    <fieldset>
        <legend class="font-semibold mb-2">{{ __('lending.keep_for') }}</legend>
        @foreach ($terms->lengths as $length)
            <label class="flex items-baseline gap-2.5 py-1.5 cursor-pointer">
                <input type="radio" name="length" value="{{ $length->code() }}" @checked($length == $terms->defaultLength) @if ($length == $terms->defaultLength) data-focus @endif class="accent-shutter w-4 h-4 self-center">
                <span class="whitespace-nowrap">{{ trans_choice($length->inHours ? 'lending.hours' : 'lending.days', $length->amount) }}</span>
                <span class="meta">{{ __('lending.due_back', ['date' => Dates::words($length->dueAt($now, $zone), $zone, $now)]) }}</span>
            </label>
        @endforeach
    </fieldset>
    <p class="meta my-2">{{ __('lending.leaves', ['after' => $loansOpen + 1, 'limit' => $limit]) }}</p>
    <div class="flex gap-2">
        <button class="btn">{{ __('lending.borrow') }}<span class="sr-only">: {{ $title->name }}</span></button>
        <a class="btn btn-plain" href="{{ route('titles.show', $title, false) }}" data-close>{{ __('lending.not_now') }}</a>
    </div>
</form>

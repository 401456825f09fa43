@use('App\Shared\View\Dates')
@php
    $htmx = request()->hasHeader('HX-Request');
    $at = $way === null ? '' : "?library={$way->slug}";
    $key = $way === null ? $title->id : "{$title->id}-{$way->slug}";
@endphp
<form method="post" action="/titles/{{ $title->id }}/borrow{{ $at }}" @if ($htmx)
    hx-post="/titles/{{ $title->id }}/borrow{{ $at }}" hx-target="#action-{{ $key }}" hx-swap="outerHTML"
    hx-disabled-elt="find .btn" data-closable @endif class="panel p-4 mt-1 w-full">
    @csrf
    @if ($refused !== null)
        <p class="mb-3"><strong>{{ $refused->soonestDue === null ? '' : __('borrowing.limit_heading').'.' }}</strong>
            {{ App\Lending\Borrowing\RefusalText::of($refused, $card->library) }} <a class="link"
                href="{{ route('help.show', 'borrowing', false) }}">{{ __('help.more') }}</a></p>
    @endif
    @if ($refused === null || $refused->soonestDue !== null)
        <fieldset>
            <legend class="font-semibold mb-2">{{ __('borrowing.keep_for') }}</legend>
            @foreach ($terms->lengths as $length)
                <label class="flex items-baseline gap-2.5 py-1.5 cursor-pointer">
                    <input type="radio" name="length" value="{{ $length->code() }}"
                        @checked($length == $terms->defaultLength) @if ($length == $terms->defaultLength) data-focus
                        @endif class="accent-shutter w-4 h-4 self-center">
                    <span class="whitespace-nowrap">{{ trans_choice($length->inHours ? 'lending.hours' : 'lending.days',
                        $length->amount) }}</span>
                    <span class="meta">{{ __('borrowing.due_back', ['date' => Dates::words($length->dueAt($now, $zone),
                        $zone, $now)]) }}</span>
                </label>
            @endforeach
        </fieldset>
    @endif
    @if ($refused === null)
        <p class="meta my-2">{{ __('borrowing.leaves', ['after' => $loansOpen + 1, 'limit' => $terms->maxLoans]) }}
            @if ($current->person->cards->count() > 1){{ __('borrowing.which_card') }}: {{ $card->library->short_name
                }},
            {{ $card->number }}.@endif @if ($paid !== null){{
            __('catalogue.paid_each', ['left' => max(0, $paid->most - $paid->loans), 'most' => $paid->most])
            }}@endif</p>
    @endif
    <div class="flex flex-wrap gap-2 mt-3">
        @if ($refused === null)
            <button class="btn">{{ __('lending.borrow') }}<span class="sr-only">: {{ $title->name }}</span></button>
        @elseif ($refused->soonestDue !== null)
            <button class="btn" name="return_first" value="{{ $refused->soonestDue->id }}">{{
                __('borrowing.limit_go_on')
                }}</button>
        @endif
        <a class="btn btn-plain" href="{{ $current->link("/titles/{$title->id}") }}" data-close>{{ __('lending.not_now')
            }}</a>
    </div>
</form>

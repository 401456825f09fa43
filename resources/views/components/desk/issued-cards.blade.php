{{-- Cards that were just given out, with their PINs, which are shown this once. --}}
@props(['cards'])
<div class="panel overflow-x-auto max-w-2xl" tabindex="0" role="group" aria-label="{{ __('setup.patrons') }}">
    <table class="w-full text-[15px] desk-table">
        <thead><tr><th scope="col">{{ __('setup.card_name') }}</th><th
            scope="col">{{ __('setup.card_number') }}</th><th scope="col">PIN</th></tr></thead>
        <tbody>@foreach ($cards as $card)<tr><th scope="row"
            class="text-left font-normal"><bdi>{{ $card->name }}</bdi></th><td
            class="tabular-nums">{{ $card->number }}</td><td
            class="tabular-nums">{{ $card->pin }}</td></tr>@endforeach</tbody>
    </table>
</div>

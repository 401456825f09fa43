@php
    $card = $current->card();
@endphp
<b class="text-[15px]">{{ $current->person->name }}</b><br>
@if ($card === null)
    {{ __('common.no_card_here') }}
@else
    {{ __('common.counts', ['loans' => $card->loans_open, 'most_loans' => $terms->maxLoans, 'holds' =>
        $card->holds_open, 'most_holds' => $terms->maxHolds]) }}
@endif

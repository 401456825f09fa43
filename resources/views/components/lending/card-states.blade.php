{{-- What stands in the way of borrowing with a card, now or soon, and what to do. --}}
@use('App\Shared\View\Dates')
@use('FigPorch\Core\Lending\CardValidity')
@props(['cards'])
@foreach ($cards as $card)
    @php
        $standing = CardValidity::of($card->blocked_at !== null, $card->expires_at, now()->toDateTimeImmutable());
        $words = $standing === CardValidity::Blocked && $card->block_reason !== null ? 'blocked_why' : $standing->value;
    @endphp
    @if ($standing !== CardValidity::Good)<p class="message bg-card border-clay mb-4">{{ __("own_cards.{$words}", [
        'library' => $card->library->name, 'contact' => $card->library->pin_contact,
        'why' => (string) $card->block_reason, 'date' => $card->expires_at === null ? '' :
        Dates::day($card->expires_at, $card->library->zone())]) }}</p>@endif
@endforeach

@include('lending.borrowing.title-action')
<div id="said" role="status" hx-swap-oob="true" class="empty:hidden"><x-said :said="$said" :message="$message"
    />@if ($refused?->soonestDue !== null)<form method="post"
    action="{{ route('loans.return', $refused->soonestDue->id, false) }}" class="mb-4">@csrf<button
    class="btn btn-quiet">{{ __('lending.return') }}: {{ $refused->soonestDue->title }}</button></form>@endif</div>
<div id="who" hx-swap-oob="true" class="ml-auto md:ml-0 text-right leading-tight text-sm max-sm:hidden"><x-who /></div>

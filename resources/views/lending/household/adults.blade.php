{{-- Who looks after a card of this person. --}}
@foreach ($adults as $adult)<div class="panel px-4 py-3 mt-3 flex flex-wrap items-center justify-between gap-3"><span>{{
    __('household.looked_after', ['name' => $adult->name]) }}</span><form method="post"
    action="{{ route('household.end', $adult->card_id, false) }}">@csrf<input type="hidden" name="adult"
    value="{{ $adult->person_id }}"><button class="btn btn-plain">{{ __('devices.end') }}<span class="sr-only">: {{
    $adult->name }}</span></button></form></div>@endforeach

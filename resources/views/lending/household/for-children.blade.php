{{-- A hold for a child whose card one looks after, on the page of a title. --}}
@if ($children->isNotEmpty())<div class="flex flex-wrap gap-3 mt-3">@foreach ($children as $card)<form method="post"
    action="{{ route('household.hold', [$card, $title], false) }}">@csrf<button class="btn btn-plain">{{
    __('household.for_child', ['child' => $card->person->name]) }}</button></form>@endforeach</div>@endif

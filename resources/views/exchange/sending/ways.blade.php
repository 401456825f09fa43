{{-- Buttons that send something to places of one's own: $to, the address; $ways, cases of Way; $of, what (to who hears
     it). --}}
<form method="post" action="{{ $to }}" class="inline-flex flex-wrap gap-x-3 gap-y-1 items-baseline">@csrf
    @foreach ($ways as $way)<button name="way" value="{{ $way->value }}" class="link text-[15px]">{{
        __("sending.ways.{$way->value}") }}@isset($of)<span class="sr-only">: {{ $of }}</span>@endisset</button>
    @endforeach</form>

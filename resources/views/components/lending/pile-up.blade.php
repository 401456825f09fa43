@props(['found'])
@use('App\Shared\View\Dates')
@if ($found !== [])
    <form method="post" action="/holds/spread" class="panel px-4 py-3 mb-4">
        @csrf
        <p><strong>{{ trans_choice('lending.piling_up', count($found), ['limit' => $found[0]['limit']]) }}</strong>
            {{ __('lending.piling_up_text') }}</p>
        <ul class="my-2">
            @foreach ($found as $row)
                @php($zone = $row['hold']->hold->card->library->zone())
                <li class="py-0.5">{{ App\Shared\View\TitleText::name($row['hold']->hold->title) }}: {{
                    Dates::day($row['until'], $zone) }}<input
                    type="hidden" name="until[{{ $row['hold']->hold->id }}]"
                    value="{{ $row['until']->setTimezone($zone)->modify('+1 day')->format('Y-m-d') }}"></li>
            @endforeach
        </ul>
        <button class="btn btn-quiet">{{ __('lending.pause_all') }}</button>
    </form>
@endif

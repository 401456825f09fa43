<h3 lang="">{{ $word }}</h3>
@if (! $known)
    <p>{{ __('reading.word_no_dictionary') }}</p>
@elseif ($senses === [])
    <p>{{ __('reading.word_unknown', ['word' => $word]) }}</p>
@else
    <ul class="senses" lang="en">@foreach ($senses as $sense)<li>{{ $sense }}</li>@endforeach</ul>
@endif

{{-- Five steps for who is here for the first time. --}}
<ol class="grid sm:grid-cols-2 lg:grid-cols-5 gap-x-5 gap-y-3 mb-3">@foreach (__('help.steps') as [$what, $text])<li><b
    class="block"><span class="text-soft tabular-nums">{{ $loop->iteration }}.</span> {{ $what }}</b>{{ $text }}</li>
    @endforeach</ol>

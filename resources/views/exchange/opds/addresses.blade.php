{{-- Where reading applications find the catalogue of each library that somebody has a card of. --}}
<section aria-labelledby="reading-apps">
    <h3 id="reading-apps" class="text-xl mb-1">{{ __('opds.apps') }}</h3>
    <p class="mb-2">{{ __('opds.apps_text') }}</p>
    <ul class="panel divide-y divide-rule mb-2">
        @foreach ($catalogues as $name => $address)
            <li class="px-4 py-2.5"><span class="meta block">{{ $name }}</span><code class="break-all">{{ $address
                }}</code></li>
        @endforeach
    </ul>
    <p class="meta">{{ __('opds.apps_older') }}</p>
</section>

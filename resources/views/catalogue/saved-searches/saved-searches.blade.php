<x-layout :title="__('search.saved_searches')" on="catalogue">
    <h1 class="text-3xl mb-1">{{ __('search.saved_searches') }}</h1>
    <p class="mb-4 max-w-[75ch] text-soft">{{ __('search.saved_text') }}</p>
    @forelse ($saved as $of)
        <article class="border-t border-rule py-3.5 flex flex-wrap items-center gap-x-6 gap-y-2">
            <div class="grow min-w-0"><h2 class="text-xl"><a class="no-underline hover:underline"
                href="{{ $of->address() }}">{{ $of->name }}</a></h2>
                <p class="meta">{{ $of->library->short_name }} · {{ trans_choice('catalogue.titles', $counts[$of->id],
                    ['count' => App\Shared\View\Numbers::of($counts[$of->id])]) }} ·
                    {{ __($of->tells ? 'search.told' : 'search.not_told') }}</p></div>
            <form method="post" action="/searches/{{ $of->id }}/tell">@csrf<input type="hidden" name="tells"
                value="{{ $of->tells ? 0 : 1 }}"><button class="btn btn-quiet">{{ __($of->tells ? 'search.tell_no_more'
                : 'search.tell_me') }}<span class="sr-only">: {{ $of->name }}</span></button></form>
            <form method="post" action="/searches/{{ $of->id }}/remove">@csrf<button
                class="btn btn-plain">{{ __('search.unsave') }}<span class="sr-only">:
                {{ $of->name }}</span></button></form>
        </article>
    @empty
        <div class="panel p-6"><p class="mb-3 max-w-[65ch]">{{ __('search.none_saved') }}</p><a class="btn"
            href="{{ $current->link('/catalogue') }}">{{ __('common.catalogue') }}</a></div>
    @endforelse
</x-layout>

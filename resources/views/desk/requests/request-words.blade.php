@use('App\Shared\View\Dates')
@use('App\Shared\View\TitleText')
<x-desk.layout :title="__('desk_requests.requests').': '.$asked->name" on="requests" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="/desk/requests">{{ __('desk_requests.requests') }}</a></p>
    <h1 class="text-3xl"><bdi>{{ $asked->name }}</bdi></h1>
    <p class="mb-1"><bdi>{{ $asked->people }}</bdi></p>
    <p class="meta mb-5">{{ implode(' · ', array_filter([$asked->format === null ? null :
        __("catalogue.format.{$asked->format->value}"), $asked->number,
        __('desk_requests.in_words_asked', ['date' => Dates::day($asked->asked_at, $staff->library->zone())])])) }}</p>
    <div class="grid lg:grid-cols-[1fr_380px] gap-8">
        <section aria-labelledby="which">
            <h2 id="which" class="text-xl mb-1">{{ __('desk_requests.which_title') }}</h2>
            <p class="mb-3">{{ __('desk_requests.which_title_text') }}</p>
            @if ($known->isNotEmpty())
                <ul class="panel divide-y divide-rule mb-4">@foreach ($known as $title)<li
                    class="px-4 py-3 flex items-center gap-3">{{ App\Shared\View\Covers\Cover::html($title, 40,
                        decorative:
                    true) }}
                    <span class="flex-1 min-w-0"><a class="font-semibold no-underline hover:underline"
                        href="/titles/{{ $title->id }}">{{ $title->name }}</a><br><span
                        class="text-[15px]">{{ TitleText::people($title) }}</span> <span
                        class="meta">{{ TitleText::kind($title) }}</span></span>
                    <form method="post" action="/desk/requests/words/{{ $asked->id }}/name">@csrf<input type="hidden"
                        name="title" value="{{ $title->id }}"><button class="btn btn-quiet">{{
                            __('desk_requests.this_one')
                        }}<span class="sr-only">: {{ $title->name }}</span></button></form></li>@endforeach</ul>
            @else
                <p class="panel p-5 mb-4">{{ __('desk_requests.none_like_it') }}</p>
            @endif
            <form method="post" action="/desk/requests/words/{{ $asked->id }}/name" class="panel p-4 grid gap-2">@csrf
                <label for="title">{{ __('desk_requests.name_title') }}</label><div class="flex gap-2"><input id="title"
                    name="title" required maxlength="200" class="field flex-1 min-w-0"><button
                    class="btn btn-quiet">{{ __('desk_requests.this_one') }}</button></div></form>
        </section>
        <form method="post" action="/desk/requests/words/{{ $asked->id }}/decline"
            class="panel p-4 grid gap-2 content-start self-start">@csrf
            <label for="why">{{ __('desk_requests.decline_text') }}</label><textarea id="why" name="why" rows="3"
                maxlength="600"
                required class="field"></textarea><div><button
                class="btn btn-quiet">{{ __('desk_requests.decline') }}</button></div></form>
    </div>
</x-desk.layout>

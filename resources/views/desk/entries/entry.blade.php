@use('App\Catalogue\Records\EntryKind')
@use('App\Shared\View\TitleText')
<x-desk.layout :title="$entry->name" on="titles" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="/desk/titles">{{ __('desk.titles') }}</a> › <a class="link"
        href="{{ route('desk.entries', ['kind' => $kind->value], false) }}">{{ __("entries.kinds.{$kind->value}")
        }}</a></p>
    <h1 class="text-3xl mb-1"><bdi>{{ $entry->name }}</bdi></h1>
    @if ($forms !== [])<p class="mb-4 max-w-[90ch]">{{ __('entries.forms') }} <bdi>{{ implode(' · ', $forms)
        }}</bdi></p>@endif
    <div class="grid lg:grid-cols-[1fr_400px] gap-8 mt-4">
        <section aria-labelledby="of" class="min-w-0"><h2 id="of" class="text-2xl mb-2">{{
            trans_choice('batches.titles', $count, ['count' => App\Shared\View\Numbers::of($count)]) }}</h2>
            @if ($titles->isNotEmpty())<ul class="panel divide-y divide-rule">@foreach ($titles as $title)<li
                class="px-4 py-2"><a class="font-semibold no-underline hover:underline"
                href="{{ route('desk.title', $title, false) }}">{{ TitleText::name($title) }}</a><span
                class="meta block">{{ implode(' · ', array_filter([TitleText::people($title),
                TitleText::format($title), $title->year()])) }}</span></li>@endforeach</ul>@endif
            @if ($count > $titles->count())<p class="meta mt-2">{{ trans_choice('entries.more', $count -
                $titles->count(), ['count' => App\Shared\View\Numbers::of($count - $titles->count())]) }}</p>@endif
        </section>
        <div class="grid gap-4 content-start order-first lg:order-none">
            <form method="post" action="{{ route('desk.entry.rename', [$kind, $entry->id], false) }}"
                class="panel p-4 grid gap-3" data-send-once>@csrf
                <h2 class="text-xl">{{ __('entries.rename') }}</h2>
                <x-desk.field name="name" :max="255" :label="__('entries.name')" :usual="$entry->name" />
                @if ($kind === EntryKind::Person)<x-desk.field name="sort_name" :max="255" :needed="false"
                    :label="__('entries.sort_name')" :hint="__('entries.sort_hint')"
                    :usual="$entry->sort_name" />@endif
                <div><button class="btn btn-quiet">{{ __('batches.look') }}</button></div></form>
            <form method="post" action="{{ route('desk.entry.merge', [$kind, $entry->id], false) }}"
                class="panel p-4 grid gap-3" data-send-once>@csrf
                <h2 class="text-xl">{{ __('entries.merge') }}</h2>
                <x-desk.field name="into" :max="255" :label="__('entries.into')" :hint="__('entries.merge_text')" />
                <div><button class="btn btn-quiet">{{ __('batches.look') }}</button></div></form>
        </div>
    </div>
</x-desk.layout>

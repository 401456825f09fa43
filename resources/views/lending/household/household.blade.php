@use('App\Shared\View\Dates')
<x-layout :title="__('household.heading')" on="settings">
    <p class="mb-1 text-[15px]"><a class="link" href="/settings">{{ __('common.settings') }}</a></p>
    <h1 class="text-3xl mb-1">{{ __('household.heading') }}</h1>
    <p class="mb-5 max-w-[80ch]">{{ __('household.text') }}</p>
    @if ($household === [])<p class="panel p-5 mb-6">{{ __('household.none') }}</p>@endif
    <div class="grid lg:grid-cols-2 gap-6 mb-8">
        @foreach ($household as $of)
            @php($zone = $of['card']->library->zone())
            <section class="panel p-5" aria-labelledby="card-{{ $of['card']->id }}">
                <h2 id="card-{{ $of['card']->id }}" class="text-xl">{{ $of['card']->person->name }}</h2>
                <p class="meta mb-3">{{ $of['card']->library->name }}</p>
                <x-lending.card-states :cards="[$of['card']]" />
                @if ($of['loans']->isEmpty() && $of['holds']->isEmpty())<p class="mb-3">{{ __('household.nothing')
                    }}</p>@endif
                <ul class="divide-y divide-rule">
                    @foreach ($of['loans'] as $loan)<li class="py-2"><b>{{ App\Shared\View\TitleText::name($loan->title)
                        }}</b><span
                        class="meta block">{{ __('household.due', ['date' => Dates::words($loan->due_at, $zone, $now)])
                        }}</span></li>@endforeach
                    @foreach ($of['holds'] as $hold)<li class="py-2 flex flex-wrap items-center justify-between
                        gap-3"><span><b>{{ App\Shared\View\TitleText::name($hold->title) }}</b><span class="meta
                            block">{{ $hold->kept_until ===
                        null ? __('household.waits') : __('household.ready', ['date' => Dates::day($hold->kept_until,
                        $zone, $now)]) }}</span></span><form method="post" action="{{ route('household.cancel',
                        [$of['card'], $hold], false) }}">@csrf<button class="btn btn-plain">{{
                        __('lending.cancel_hold') }}<span class="sr-only">: {{ $hold->title->name
                        }}</span></button></form></li>@endforeach
                </ul>
                <form method="post" action="{{ route('household.end', $of['card'], false) }}" class="mt-3">@csrf<button
                    class="btn btn-plain">{{ __('household.end') }}<span class="sr-only">: {{
                    $of['card']->person->name }}</span></button></form>
            </section>
        @endforeach
    </div>
    <section aria-labelledby="add" class="max-w-md"><h2 id="add" class="text-2xl mb-1">{{ __('household.add') }}</h2>
        <p class="mb-3">{{ __('household.add_text') }}</p>
        <form method="post" action="{{ route('household.add', [], false) }}" class="panel p-5 grid gap-4">@csrf
            <x-desk.options name="at" :label="__('common.library')" :options="$current->libraries()->pluck('name',
                'slug')" :chosen="$current->library?->slug" />
            <x-desk.field name="number" :max="40" :label="__('sign_in.card_number')" inputmode="numeric"
                autocomplete="off" />
            <x-desk.field name="pin" type="password" :max="64" :label="__('sign_in.pin')" inputmode="numeric"
                autocomplete="off" />
            <div><button class="btn btn-quiet">{{ __('household.add') }}</button></div>
        </form>
        <p class="meta mt-2">{{ __('household.ask_library') }} <a class="link" href="{{ route('letters.create',
            ['about' => __('household.add')], false) }}">{{ __('letters.write') }}</a></p></section>
</x-layout>

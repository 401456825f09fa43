<x-layout :title="__('classes.heading')" on="classes">
    <h1 class="text-3xl mb-4">{{ __('classes.heading') }}</h1>
    @if ($sets->isNotEmpty())<section aria-labelledby="given" class="mb-8"><h2 id="given" class="text-2xl mb-3">{{
        __('classes.for_you') }}</h2>@include('lending.classes.sets')</section>@endif
    @if ($taught->isNotEmpty())<section aria-labelledby="taught" class="mb-8"><h2 id="taught" class="text-2xl mb-3">{{
        __('classes.yours') }}</h2><ul class="panel divide-y divide-rule">@foreach ($taught as $class)<li
        class="px-4 py-3 flex flex-wrap items-center gap-x-5 gap-y-1"><a class="grow font-semibold no-underline
        hover:underline" href="{{ route('classes.show', $class, false) }}"><bdi>{{ $class->name }}</bdi></a><span>{{
        trans_choice('classes.pupils', $class->members_count) }}</span><span class="meta">{{ __('classes.code') }} <b
        class="font-mono text-ink tracking-wider">{{ $class->code }}</b></span></li>@endforeach</ul></section>@endif
    @if ($attended->isNotEmpty())<section aria-labelledby="attended" class="mb-8"><h2 id="attended"
        class="text-2xl mb-3">{{ __('classes.attended') }}</h2><ul class="panel divide-y divide-rule">
        @foreach ($attended as $class)<li class="px-4 py-3 flex flex-wrap items-center gap-3"><span class="grow"><b
        class="font-semibold"><bdi>{{ $class->name }}</bdi></b> <span class="meta">{{ $class->teacher->person->name
        }}</span></span><form method="post" action="{{ route('classes.leave', $class, false) }}">@csrf<button
        class="btn btn-quiet">{{ __('classes.leave') }}<span class="sr-only">: {{ $class->name
        }}</span></button></form></li>@endforeach</ul></section>@endif
    <div class="grid grid-cols-1 md:grid-cols-2 gap-6">
        <form method="post" action="{{ route('classes.join', absolute: false) }}" class="panel p-5 grid gap-3
            content-start">@csrf<h2 class="text-xl">{{ __('classes.join') }}</h2><p class="meta">{{
            __('classes.join_text') }}</p><label class="grid gap-1"><span class="font-semibold">{{ __('classes.code')
            }}</span><input name="code" required maxlength="12" autocomplete="off" autocapitalize="characters"
            value="{{ old('code') }}" class="field font-mono tracking-wider uppercase"></label><div><button
            class="btn">{{ __('classes.join') }}</button></div></form>
        @if ($cards !== [])<form method="post" action="{{ route('classes.make', absolute: false) }}"
            class="panel p-5 grid gap-3 content-start">@csrf<h2 class="text-xl">{{ __('classes.make') }}</h2>
            @if (count($cards) > 1)<label class="grid gap-1"><span class="font-semibold">{{ __('common.library')
                }}</span><select name="card" class="field">@foreach ($cards as $card)<option value="{{ $card->id }}">{{
                $card->library->name }}</option>@endforeach</select></label>@endif
            <label class="grid gap-1"><span class="font-semibold">{{ __('classes.name') }}</span><input name="name"
                required maxlength="60" value="{{ old('name') }}" class="field"></label>
            <label class="grid gap-1"><span class="font-semibold">{{ __('classes.ends_on') }}</span><input
                name="ends_on" type="date" required value="{{ old('ends_on') }}" class="field"></label>
            @if (array_merge(...$fromFile) !== [])<label class="grid gap-1"><span class="font-semibold">{{
                __('classes.from_file') }}</span><span id="from-file" class="meta">{{ __('classes.from_file_hint')
                }}</span><select name="from_file" class="field" aria-describedby="from-file"><option value="">{{
                __('classes.nobody_yet') }}</option>@foreach (array_unique(array_merge(...$fromFile)) as $name)<option
                @selected(old('from_file') === $name)>{{ $name }}</option>@endforeach</select></label>@endif
            <div><button class="btn">{{ __('classes.make') }}</button></div></form>@endif
    </div>
</x-layout>

@use('App\Shared\View\Dates')
@use('App\Shared\View\TitleText')
@php
    $zone = $class->library->zone();
    $day = fn (string $of): string => Dates::day(new DateTimeImmutable("{$of} 12:00", $zone), $zone);
@endphp
<x-layout :title="$class->name" on="classes">
    <p class="mb-1"><a class="link" href="{{ route('classes.index', absolute: false) }}">{{ __('classes.heading')
        }}</a></p>
    <h1 class="text-3xl mb-1"><bdi>{{ $class->name }}</bdi></h1>
    <p class="meta mb-5">{{ $class->library->name }} · {{ __('classes.until', ['date' => $day($class->ends_on)]) }}</p>
    <div class="panel p-5 mb-7 flex flex-wrap items-center gap-x-8 gap-y-3"><div><p class="meta">{{ __('classes.code')
        }}</p><p class="font-mono text-3xl tracking-[0.15em]">{{ $class->code }}</p></div><p class="max-w-[60ch]">{{
        __('classes.code_text') }}</p></div>
    <section aria-labelledby="sets" class="mb-8"><h2 id="sets" class="text-2xl mb-3">{{ __('classes.sets') }}</h2>
        @if ($class->sets->isEmpty())<p class="panel p-5">{{ __('classes.no_sets') }}</p>
        @else<ul class="panel divide-y divide-rule">@foreach ($class->sets as $set)<li class="px-4 py-3 flex flex-wrap
            items-center gap-x-5 gap-y-2"><span class="grow min-w-52"><a class="font-semibold no-underline
            hover:underline" href="{{ $current->link(route('titles.show', $set->title, false)) }}">{{
                TitleText::name($set->title)
            }}</a> <span class="text-soft">{{ TitleText::people($set->title) }}</span><span @class(['block
            text-[15px]', 'text-soft' => $set->last_day < $today])>{{ $day($set->first_day) }} – {{
            $day($set->last_day) }}</span></span><span class="tabular-nums">{{ trans_choice('classes.borrowed',
            $set->borrowed) }}</span><form method="post" action="{{ route('classes.take_back', [$class, $set], false)
            }}">@csrf<button class="btn btn-quiet">{{ __('classes.take_back') }}<span class="sr-only">: {{
            $set->title->name }}</span></button></form></li>@endforeach</ul>@endif
        <p class="meta mt-2">{{ __('classes.how_to_give') }}</p></section>
    <section aria-labelledby="members" class="mb-8"><h2 id="members" class="text-2xl mb-3">{{
        trans_choice('classes.pupils', $class->members->count()) }}</h2>
        @if ($class->members->isEmpty())<p class="panel p-5">{{ __('classes.no_pupils') }}</p>
        @else<ul class="panel divide-y divide-rule">@foreach ($class->members as $member)<li class="px-4 py-2 flex
            items-center gap-3"><span class="grow"><bdi>{{ $member->person->name }}</bdi></span><form method="post"
            action="{{ route('classes.remove', $class, false) }}">@csrf<input type="hidden" name="card"
            value="{{ $member->id }}"><button class="btn btn-plain">{{ __('classes.remove') }}<span class="sr-only">: {{
            $member->person->name }}</span></button></form></li>@endforeach</ul>@endif</section>
    <details><summary class="link cursor-pointer text-clay">{{ __('classes.end') }}</summary><form method="post"
        action="{{ route('classes.end', $class, false) }}" class="mt-2">@csrf<p class="mb-2">{{ __('classes.end_sure')
        }}</p><button class="btn btn-quiet">{{ __('classes.end_yes') }}</button></form></details>
</x-layout>

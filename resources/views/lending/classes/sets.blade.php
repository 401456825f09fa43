{{-- Titles given to the classes of a pupil. --}}
@use('App\Shared\View\Dates')
@use('App\Shared\View\TitleText')
<ul class="grid sm:grid-cols-2 lg:grid-cols-3 gap-4">
    @foreach ($sets as $set)
        @php($zone = $set->schoolClass->library->zone())
        <li class="panel p-4 flex gap-3.5">{{ App\Shared\View\Covers\Cover::html($set->title, 56, decorative: true) }}
            <div class="min-w-0"><a class="font-semibold no-underline hover:underline"
                href="{{ $current->link(route('titles.show', $set->title, false)) }}">{{ TitleText::name($set->title)
                    }}</a><div
                class="meta">{{ TitleText::people($set->title) }}</div><div class="text-[15px] mt-1"><bdi>{{
                $set->schoolClass->name }}</bdi> · {{ __('classes.until', ['date' => Dates::day(new
                DateTimeImmutable("{$set->last_day} 12:00", $zone), $zone)]) }}</div></div></li>
    @endforeach
</ul>

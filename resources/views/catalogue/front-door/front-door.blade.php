@use('App\Lending\Availability\AvailabilityIcon')
@use('App\Shared\View\Dates')
@use('FigPorch\Core\Catalogue\Format')
@use('FigPorch\Core\Catalogue\FrontRowKind')
@php($library = $current->library)
<x-layout>
    @if ($previewed !== null)<div class="message bg-lamp-wash border-lamp-line flex flex-wrap gap-3 items-center"><p
        class="grow">{{ __('library.previewed', ['date' => Dates::day(new DateTimeImmutable("{$previewed} 12:00",
        $library->zone()), $library->zone())]) }}</p><a class="btn btn-quiet"
        href="{{ route('desk.front', absolute: false) }}">{{ __('library.to_rows') }}</a></div>@endif
    @if ($closed !== null)<p class="message bg-card border-rule">{{ $closed->first_day === $closed->last_day ?
        __('account.closed_day', ['date' => Dates::day(new DateTimeImmutable("{$closed->first_day} 12:00",
        $library->zone()), $library->zone())]) : __('account.closed_days', ['from' => Dates::day(new
        DateTimeImmutable("{$closed->first_day} 12:00", $library->zone()), $library->zone()), 'until' =>
        Dates::day(new DateTimeImmutable("{$closed->last_day} 12:00", $library->zone()), $library->zone())])
        }}@if ($closed->name !== '') ({{ $closed->name }})@endif. {{ __('account.lending_goes_on') }}</p>@endif
    <x-account.messages />
    <section class="grid md:grid-cols-[1fr_auto] gap-6 items-end mt-4 mb-8">
        <div>
            <h1 class="text-4xl mb-2">{{ __('account.welcome') }}</h1>
            <p class="text-[17px] max-w-[60ch] text-soft">{{ __('account.welcome_text') }}</p>
        </div>
        <a class="btn" href="{{ route('sign-in', [], false) }}">{{
            __('account.sign_in_to', ['library' => $library->short_name]) }}</a>
    </section>
    @foreach ($rows as $n => [$row, $shown])
        @switch ($row->kind)
            @case (FrontRowKind::Formats)
                <section aria-labelledby="row-{{ $n }}" class="mb-9">
                    <h2 id="row-{{ $n }}" class="text-2xl mb-3">{{ __('account.here', ['library' => $library->name])
                        }}</h2>
                    @php($formats = array_values(array_filter(Format::cases(), fn (Format $of): bool => $of->isLent() ||
                        ($shown[$of->value] ?? 0) > 0)))
                    <ul @class(['grid grid-cols-2 sm:grid-cols-3 gap-3', match (count($formats)) {
                        5 => 'lg:grid-cols-5', 6 => 'lg:grid-cols-6', default => 'lg:grid-cols-7' }])>
                        @foreach ($formats as $format)<li><a class="panel block h-full px-4 py-3 no-underline
                            hover:bg-haint" href="{{ $current->link(route('catalogue', ['format' => $format->value],
                                false)) }}"><span
                            class="font-serif font-semibold text-2xl block">{{
                            App\Shared\View\Numbers::of($shown[$format->value] ?? 0) }}</span><span>{{
                            __("catalogue.formats.{$format->value}") }}</span></a></li>@endforeach
                    </ul>
                </section>
                @break
            @case (FrontRowKind::Lists)
                <x-catalogue.staff-lists :lists="$shown" />
                <div class="mb-9"></div>
                @break
            @case (FrontRowKind::List)
                @include('catalogue.front-door.row', ['heading' => $shown->list->name, 'note' => $shown->list->note,
                    'titles' => $shown->first, 'all' => ['list' => $shown->list->id], 'lit' => false])
                @break
            @default
                @include('catalogue.front-door.row', ['heading' => __("account.rows.{$row->kind->value}"),
                    'note' => null, 'titles' => $shown, 'lit' => $row->kind === FrontRowKind::Ready, 'all' => [
                    FrontRowKind::Ready->value => ['ready' => 1], FrontRowKind::Newest->value => ['order' => 'newest'],
                    FrontRowKind::Popular->value => ['order' => 'most_borrowed']][$row->kind->value]])
        @endswitch
    @endforeach
</x-layout>

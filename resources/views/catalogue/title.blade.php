@php
    use App\View\Dates;
    use App\View\TitleText;
    use FigPorch\Core\Lending\Availability;
    $roles = $title->contributors->groupBy(fn ($c) => $c->pivot->role);
    $access = array_filter(array_map(fn ($f) => trans()->has("catalogue.access_features.{$f}") ? __("catalogue.access_features.{$f}") : null, array_merge(...array_values(array_intersect_key($title->accessibility, ['accessibilityFeature' => 1])) ?: [[]])));
    $kind = array_filter([$title->publication?->fixed_layout ? __('catalogue.pages_kind.fixed') : null, $title->publication?->right_to_left ? __('catalogue.pages_kind.rtl') : null]);
@endphp
<x-layout :title="$title->name" on="catalogue">
    <div class="grid md:grid-cols-[220px_1fr] gap-x-9 gap-y-5">
        <div class="flex md:block gap-4 items-end">
            {{ App\View\Cover::html($title, 220, class: 'max-md:w-28 max-md:h-auto') }}
            @if ($title->publication !== null)
                <a class="btn btn-quiet md:w-full md:mt-3" href="{{ route('excerpt.show', $title, false) }}">{{ __('catalogue.excerpt') }}</a>
            @endif
        </div>
        <div class="min-w-0">
            @if ($series = TitleText::series($title))<div class="meta"><a class="link" href="{{ route('catalogue', ['series' => $title->series_id, 'order' => 'series'], false) }}">{{ $series }}</a></div>@endif
            <h1 class="text-3xl md:text-4xl">{{ $title->name }}</h1>
            @if ($title->subtitle)<p class="text-xl text-soft mt-1">{{ $title->subtitle }}</p>@endif
            <p class="text-lg mt-1 mb-4">@foreach ($roles as $role => $people)@if (! $loop->first) · @endif{{ __("catalogue.roles.{$role}") }} @foreach ($people as $person)<a class="link text-inherit" href="{{ route('catalogue', ['q' => App\Queries\Catalogue\CatalogueSearch::byPerson($role, $person->name)], false) }}">{{ $person->name }}</a>{{ $loop->last ? '' : ', ' }}@endforeach @endforeach</p>

            <h2 class="text-xl mb-2">{{ __('catalogue.ways') }}</h2>
            <div class="panel overflow-hidden">
                @foreach ($ways as $i => $way)
                    @php($edition = $way->title)@php($standing = $way->standing)@php($mine = $own->hold($edition->id))
                    <div @class(['grid sm:grid-cols-[200px_1fr] gap-x-4 gap-y-2 px-4.5 py-3.5 items-start', 'border-t border-rule' => $i > 0, 'bg-lamp-wash' => $i === 0 && ($standing->availability->canBorrow() || $own->readyHold($edition->id, $now) !== null)])>
                        <div>
                            <b>@if ($edition->is($title)){{ mb_convert_case(__("catalogue.format.{$edition->format->value}"), MB_CASE_TITLE) }}@else<a class="link text-inherit" href="/titles/{{ $edition->id }}">{{ mb_convert_case(__("catalogue.format.{$edition->format->value}"), MB_CASE_TITLE) }}</a>@endif</b>
                            <div class="meta">{{ implode(' · ', array_filter([$edition->namesOf('narrator') === [] ? null : __('catalogue.read_by', ['name' => implode(', ', $edition->namesOf('narrator'))]), $edition->edition, TitleText::extent($edition), $edition->language && $edition->language !== $title->language ? TitleText::language($edition->language) : null])) }}</div>
                            @if ($way->oneOfSeveralCards)<div class="meta">{{ __('catalogue.with_card', ['library' => $way->library->short_name]) }}</div>@endif
                        </div>
                        <div class="[&>div]:md:flex-row [&>div]:md:items-center">
                            @include('lending.title-action', ['title' => $edition, 'quiet' => $i > 0, 'detailed' => true, 'way' => $way->oneOfSeveralCards ? $way->library : null])
                            @if ($standing->availability->canBorrow() && $way->source !== null && ! $standing->aboveCard)
                                <p class="meta mt-1">{{ __("catalogue.source.{$way->source->value}", ['library' => $way->library->short_name]) }}</p>
                            @elseif ($standing->resetsAt !== null)
                                <p class="meta mt-1">{{ __('catalogue.month_used', ['library' => $way->library->short_name, 'date' => Dates::day($standing->resetsAt, $standing->zone)]) }}</p>
                            @elseif ($standing->availability === Availability::Wait && ($mine === null || $mine->card_id !== $way->card?->id))
                                <p class="meta mt-1">{{ __('catalogue.line', ['place' => App\View\Ordinal::of($standing->nextPlace), 'copies' => trans_choice('catalogue.copies_free', $standing->copies)]) }}. @if ($standing->turn?->to !== null){{ __('catalogue.eight_in_ten', ['range' => Dates::range($standing->turn->from, $standing->turn->to, $standing->zone)]) }}@if ($standing->turn->latest !== null); {{ __('catalogue.latest_of', ['date' => Dates::day($standing->turn->latest, $standing->zone)]) }}@endif.@else{{ __('catalogue.never') }}@endif</p>
                            @endif
                            @if (! $edition->publication_exists && $standing->availability !== Availability::NotHere)
                                <p class="meta mt-1">{{ __('lending.no_file') }}</p>
                            @endif
                            @if ($standing->availability === Availability::NotHere)
                                <p class="meta mt-1">{{ $standing->wentAt !== null ? __('catalogue.went', ['date' => Dates::day($standing->wentAt, $standing->zone)]) : __('catalogue.not_owned', ['library' => $way->library->name]) }}</p>
                            @endif
                        </div>
                    </div>
                @endforeach
            </div>

            <div class="grid lg:grid-cols-[1fr_250px] gap-x-8 gap-y-4 mt-5">
                <div class="text-[17px] max-w-[62ch] grid gap-3 content-start" @if ($title->language) lang="{{ $title->language }}" @endif dir="auto">
                    @foreach (array_filter(explode("\n\n", (string) $title->description)) as $paragraph)<p>{{ $paragraph }}</p>@endforeach
                </div>
                <dl class="grid grid-cols-[auto_1fr] gap-x-3 gap-y-1 text-[15px] content-start [&>dt]:text-soft">
                    @if ($title->published || $title->publisher)<dt>{{ __('catalogue.published') }}</dt><dd>{{ implode(', ', array_filter([$title->published ? Dates::published($title->published) : null, $title->publisher])) }}</dd>@endif
                    @if ($title->subjects->isNotEmpty())<dt>{{ __('catalogue.subjects') }}</dt><dd>@foreach ($title->subjects as $subject)<a class="link" href="{{ route('catalogue', ['subjects' => $subject->id], false) }}">{{ $subject->name }}</a>{{ $loop->last ? '' : ', ' }}@endforeach</dd>@endif
                    @if ($title->language)<dt>{{ __('catalogue.language') }}</dt><dd>{{ TitleText::language($title->language) }}</dd>@endif
                    <dt>{{ __('catalogue.for') }}</dt><dd>{{ __("catalogue.audience.{$title->audience->value}") }}</dd>
                    @if ($title->level !== null)<dt>{{ __('search.level_of') }}</dt><dd>{{ __('search.grade', ['level' => number_format($title->level, 1)]) }}</dd>@endif
                    @if ($title->awards !== [])<dt>{{ __('search.awards') }}</dt><dd>@foreach ($title->awards as $award)<a class="link" href="{{ route('catalogue', ['q' => 'award:"'.$award.'"'], false) }}">{{ $award }}</a>{{ $loop->last ? '' : ', ' }}@endforeach</dd>@endif
                    @if ($title->isbn)<dt>{{ __('catalogue.identifier') }}</dt><dd>{{ $title->isbn }}</dd>@endif
                    @if ($kind !== [])<dt>{{ __('reading.layout') }}</dt><dd>{{ implode(', ', $kind) }}</dd>@endif
                    @if ($access !== [])<dt>{{ __('catalogue.access') }}</dt><dd>{{ implode(', ', $access) }}</dd>@endif
                </dl>
            </div>
        </div>
    </div>
</x-layout>

@php
    use App\Lending\Availability\AvailabilityIcon;
    use App\Lending\Availability\AvailabilityText;
    use App\Shared\View\Dates;
    use App\Shared\View\TitleText;
    use FigPorch\Core\Catalogue\Citation\StructuredData;
    use FigPorch\Core\Lending\Availability;
    use FigPorch\Core\Reading\SectionAddress;
    use Illuminate\Support\Str;
    $roles = collect($title->people())->mapToGroups(fn (array $person): array => [$person[0] => $person[1]]);
    $access = array_filter(array_map(fn ($f) => trans()->has("catalogue.access_features.{$f}") ?
        __("catalogue.access_features.{$f}") : null,
        array_merge(...array_values(array_intersect_key($title->accessibility, ['accessibilityFeature' => 1])) ?:
        [[]])));
    $contents = $title->publication->contents ?? [];
    $section = App\Shared\Input::text(request(), 'section');
    $wanted = $section === '' ? null : SectionAddress::find($contents, $section);
    $isMagazine = $title->format === FigPorch\Core\Catalogue\Format::Magazine;
    $kind = array_filter([$title->publication?->fixed_layout ? __('catalogue.pages_kind.fixed') : null,
        $title->publication?->right_to_left ? __('catalogue.pages_kind.rtl') : null]);
@endphp
@push('head')
    @foreach (StructuredData::dublinCore($cited) as [$name, $content])<meta name="{{ $name }}" content="{{ $content }}">
    @endforeach
    <link rel="alternate" type="application/x-research-info-systems" href="/titles/{{ $title->id }}.ris">
    <script type="application/ld+json">{!! json_encode(StructuredData::jsonLd($cited), JSON_UNESCAPED_UNICODE |
        JSON_HEX_TAG | JSON_INVALID_UTF8_SUBSTITUTE) !!}</script>
@endpush
<x-layout :title="$title->name" on="catalogue">
    <div class="grid md:grid-cols-[220px_1fr] gap-x-9 gap-y-5">
        <div class="flex md:block gap-4 items-end">
            {{ App\Shared\View\Covers\Cover::html($title, 220, class: 'max-md:w-28 max-md:h-auto') }}
            <div class="grid gap-1 justify-items-start text-[15px] md:mt-3">
            @if ($title->publication !== null)
                <a class="btn btn-quiet md:w-full mb-1" href="{{ route('excerpt.show', $title, false) }}">{{
                    __('catalogue.excerpt') }}</a>
            @endif
                @if (count($baskets) < 2){{ App\Catalogue\Baskets\AddToBasket::html($title) }}
                @else
                    <details><summary class="link cursor-pointer py-1">{{ __('baskets.add') }}</summary>
                        <form method="post" action="/titles/{{ $title->id }}/basket"
                            class="grid gap-2 mt-1 mb-2">@csrf<label class="sr-only"
                            for="basket">{{ __('baskets.which') }}</label><select id="basket" name="basket"
                            class="field py-1.5 min-h-9 w-full">@foreach ($baskets as $id => $name)<option
                            value="{{ $id }}" @selected(session('basket') === $id)>{{ $name
                            }}</option>@endforeach</select><button class="btn btn-quiet">{{ __('baskets.put_in')
                            }}</button></form></details>
                @endif
                @if ($title->format->isLent() && App\Lending\Classes\Teachers::cards($current->person) !== [])<a
                    class="link py-1"
                    href="{{ route('classes.choose', $title, false) }}">{{ __('classes.for_a_class') }}</a>@endif
                <a class="link py-1" href="{{ route('cite', $title, false) }}">{{ __('reading.cite') }}</a>
                <button type="button" class="link cursor-pointer py-1" data-share="{{
                    $current->link(route('titles.show', $title)) }}"
                    data-done="{{ __('catalogue.address_copied') }}" hidden>{{ __('catalogue.share') }}</button>
            </div>
        </div>
        <div class="min-w-0">
            @if ($series = TitleText::series($title))<div class="meta"><a class="link"
                href="{{ $current->link(route('catalogue', ['series' => $title->series_id, 'order' => 'series'], false))
                    }}">{{ $series
                }}</a></div>@endif
            <h1 class="text-3xl md:text-4xl">{{ TitleText::name($title) }}@if ($isMagazine && $title->edition) <span
                class="text-soft">{{ $title->edition }}</span>@endif</h1>
            @if ($title->subtitle)<p class="text-xl text-soft mt-1">{{ $title->subtitle }}</p>@endif
            <p class="text-lg mt-1 mb-4">@foreach ($roles as $role => $people)@if (! $loop->first) ·
                @endif{{ __("catalogue.roles.{$role}") }} @foreach ($people as $person)<a class="link text-inherit"
                href="{{ $current->link(route('catalogue', ['q' => App\Catalogue\Search\SearchRequest::byPerson($role,
                    $person)], false)) }}">{{ $person }}</a>{{ $loop->last ? '' : ', ' }}@endforeach @endforeach</p>

            @if ($section === 'gone')<p class="panel px-4 py-3 mb-4" role="status">{{ __('catalogue.section_gone')
                }}</p>@elseif ($wanted !== null)<p class="panel px-4 py-3 mb-4" role="status">{{
                __($own->loan($title->id) === null ? 'catalogue.section_wanted' : 'catalogue.section_on_loan',
                ['section' => $contents[$wanted][1]]) }}</p>@endif
            <h2 class="text-xl mb-2">{{ __('catalogue.ways') }}</h2>
            <div class="panel overflow-hidden">
                @foreach ($ways as $i => $way)
                    @php($edition = $way->title)@php($standing = $way->standing)@php($mine = $own->hold($edition->id))
                    <div @class(['grid sm:grid-cols-[200px_1fr] gap-x-4 gap-y-2 px-4.5 py-3.5 items-start',
                        'border-t border-rule' => $i > 0, 'bg-lamp-wash' => $i === 0 &&
                        ($standing->availability->canBorrow() || $own->readyHold($edition->id, $now) !== null)])>
                        <div>
                            <b>@if ($edition->is($title)){{
                                Str::ucfirst(__("catalogue.format.{$edition->format->value}"))
                                }}@else<a class="link text-inherit" href="{{ $current->link("/titles/{$edition->id}")
                                    }}">{{
                                Str::ucfirst(__("catalogue.format.{$edition->format->value}"))
                                }}</a>@endif</b>
                            <div class="meta">{{ implode(' · ', array_filter([$edition->namesOf('narrator') === [] ?
                                null : __('catalogue.read_by', ['name' => implode(', ',
                                $edition->namesOf('narrator'))]), $edition->edition, TitleText::extent($edition),
                                $edition->language && $edition->language !== $title->language ?
                                TitleText::language($edition->language) : null])) }}</div>
                            @if ($way->oneOfSeveralCards && $standing->elsewhere === null)<div
                                class="meta">{{ __($way->card === null ? 'catalogue.at_library' :
                                'catalogue.with_card', ['library' => $way->library->short_name]) }}</div>@endif
                        </div>
                        <div @class(['[&>div]:md:flex-row [&>div]:md:items-baseline' => $standing->elsewhere === null])>
                            @include('lending.borrowing.title-action', ['title' => $edition, 'quiet' => $i > 0,
                                'detailed' => true, 'way' => $way->oneOfSeveralCards ? $way->library : null])
                            @if ($standing->availability->canBorrow() && $way->source !== null && !
                                $standing->aboveCard)
                                <p class="meta mt-1">{{ __("catalogue.source.{$way->source->value}",
                                    ['library' => $way->library->short_name]) }}</p>
                            @elseif ($standing->resetsAt !== null)
                                <p class="meta mt-1">{{ __('catalogue.month_used',
                                    ['library' => $way->library->short_name, 'date' =>
                                    Dates::day($standing->resetsAt, $standing->zone)]) }}</p>
                            @elseif ($standing->availability === Availability::Wait &&
                                $own->loan($edition->id)?->card_id !== ($way->card?->id ?? 0) &&
                                ($mine === null || $mine->card_id !== $way->card?->id))
                                <p class="meta mt-1">{{ __('catalogue.line', ['place' =>
                                    App\Shared\View\Ordinal::of($standing->nextPlace), 'copies' =>
                                    trans_choice('catalogue.copies_free', $standing->copies)]) }}.
                                    @if ($standing->turn?->to !== null){{ __('catalogue.eight_in_ten', ['range' =>
                                    Dates::range($standing->turn->from, $standing->turn->to, $standing->zone)])
                                    }}{{ App\Lending\Waits\EstimateText::after($standing->turn, $standing->zone,
                                    Carbon\CarbonImmutable::now()) }}.@else{{
                                    __('catalogue.never') }}@endif</p>
                            @endif
                            @if ($standing->availability === Availability::OnOrder)
                                <p class="meta mt-1">{{ __('lending.on_order') }}
                                    @if ($standing->takesHolds && $mine === null){{ __('lending.on_order_line',
                                    ['place' => App\Shared\View\Ordinal::of($standing->nextPlace)]) }}@endif</p>
                            @endif
                            @if ($standing->availability === Availability::NotHere && $standing->elsewhere === null)
                                <p class="meta mt-1">{{ $standing->wentAt !== null ?
                                    __('catalogue.went', ['date' => Dates::day($standing->wentAt, $standing->zone)]) :
                                    __('catalogue.not_owned', ['library' => $way->library->name]) }}</p>
                            @endif
                        </div>
                    </div>
                @endforeach
            </div>
            @includeWhen($title->format->isLent(), 'lending.household.for-children')

            <div class="grid lg:grid-cols-[1fr_250px] gap-x-8 gap-y-4 mt-5">
                <div class="text-[17px] max-w-[62ch] grid gap-3 content-start" @if ($title->language)
                    lang="{{ $title->language }}" @endif dir="auto">
                    @foreach (array_filter(explode("\n\n", (string) $title->description)) as $paragraph)<p>{{ $paragraph
                        }}</p>@endforeach
                </div>
                <dl class="grid grid-cols-[auto_1fr] gap-x-3 gap-y-1 text-[15px] content-start [&>dt]:text-soft">
                    @if ($title->published || $title->publisher)<dt>{{ __('catalogue.published') }}</dt><dd>{{
                        implode(', ', array_filter([$title->published ? Dates::published($title->published) : null,
                        $title->publisher])) }}</dd>@endif
                    @if ($title->subjectNames() !== [])<dt>{{ __('catalogue.subjects')
                        }}</dt><dd>@foreach ($title->subjectNames() as $id => $name)<a class="link"
                        href="{{ $current->link(route('catalogue', ['subjects' => $id], false)) }}">{{ $name }}</a>{{
                            $loop->last ? '' :
                        ', ' }}@endforeach</dd>@endif
                    @if ($title->language)<dt>{{ __('catalogue.language') }}</dt><dd>{{
                        TitleText::language($title->language) }}</dd>@endif
                    <dt>{{ __('catalogue.for') }}</dt><dd>{{ __("catalogue.audience.{$title->audience->value}")
                        }}@if ($title->age_from !== null), {{ __('rooms.ages', ['range' => $title->age_to >=
                        FigPorch\Core\Catalogue\AgeRange::OPEN ? "{$title->age_from}+" :
                        "{$title->age_from}–{$title->age_to}"]) }}@endif</dd>
                    @if ($title->level !== null)<dt>{{ __('search.level_of') }}</dt><dd>{{
                        __('search.grade', ['level' => App\Shared\View\Numbers::of($title->level, 1)]) }}</dd>@endif
                    @if ($title->awards !== [])<dt>{{ __('search.awards')
                        }}</dt><dd>@foreach ($title->awards as $award)<a class="link"
                        href="{{ $current->link(route('catalogue', ['awards' => $award], false)) }}">{{ $award }}</a>{{
                            $loop->last ? ''
                        : ', ' }}@endforeach</dd>@endif
                    @foreach ($title->standardNumbers() as $number)<dt>{{ $number->kind->value }}</dt><dd>{{
                        $number->written }}</dd>@endforeach
                    @if ($kind !== [])<dt>{{ __('reading.layout') }}</dt><dd>{{ implode(', ', $kind) }}</dd>@endif
                    @if ($access !== [])<dt>{{ __('catalogue.access') }}</dt><dd>{{ implode(', ', $access) }}</dd>@endif
                </dl>
            </div>
            @if ($contents !== [])
                <details class="mt-5" id="contents" @if ($section !== '') open @endif><summary
                    class="cursor-pointer"><h2
                    class="text-xl inline">{{ __('catalogue.contents') }}</h2> <span
                    class="meta">{{ trans_choice('catalogue.entries', count($contents))
                    }}</span></summary>
                    <ol class="mt-2 sm:columns-2 gap-8 text-[15px]" @if ($title->language) lang="{{ $title->language }}"
                        @endif>@foreach ($contents as $n => $entry)<li
                        @class(['break-inside-avoid py-0.5', 'pl-5' => $entry[0] === 1, 'pl-10' => $entry[0] > 1])
                        >@isset($entry[2])<a class="link text-inherit" @if ($n === $wanted) aria-current="true" @endif
                        href="{{ route('sections.show', [$title, SectionAddress::of($n, $entry[1])], false) }}">{{
                        $entry[1] }}</a>@else{{ $entry[1] }}@endisset</li>@endforeach</ol></details>
            @endif
            @if ($seriesOrder->count() > 1)
                <section aria-labelledby="series" class="mt-6"><h2 id="series"
                    class="text-xl mb-1">{{ __($isMagazine ? 'catalogue.issues' : 'catalogue.series_order',
                    ['name' => $title->seriesName()]) }}</h2>
                    @includeWhen($isMagazine, 'lending.follows.follow')
                    <ol class="text-[15px]">@foreach ($seriesOrder as $one)<li
                        class="flex flex-wrap items-center gap-x-3 border-t border-rule min-h-11 py-1"><span
                        class="w-8 text-right text-soft tabular-nums">{{ $one->series_position === null ? '' : (float)
                        $one->series_position }}</span>@if ($one->is($title))<b>{{ $isMagazine ? $one->edition :
                        TitleText::name($one) }}</b>@else<a class="link" href="{{ $current->link("/titles/{$one->id}")
                            }}">{{
                            $isMagazine ?
                        $one->edition : TitleText::name($one) }}</a>@endif @if ($isMagazine)<span
                        class="text-soft">{{ $one->published ? Dates::published($one->published) : ''
                        }}</span>@elseif ($one->edition)<span class="text-soft">{{ $one->edition }}</span>@endif
                        @if (! $isMagazine && $one->is($next))<span class="text-lamp-text font-semibold">{{
                        __('catalogue.next_for_you') }}</span>@elseif (isset($had[$one->work_id]))<span
                        class="text-soft">{{ __('catalogue.had') }}</span>@endif
                        @php($standing = $standings[$one->id])@php($loan = $own->loan($one->id))
                        @php($isReady = $own->readyHold($one->id, $now) !== null)
                        <span class="ml-auto flex items-center gap-x-3"><span class="inline-flex items-center
                            gap-1.5">{{ AvailabilityIcon::forPerson($standing, $own, $one->id, $now)->html() }}<span>{{
                            AvailabilityText::forPerson($standing, $own, $one->id, $now) }}</span></span>
                            @if ($one->is($title))
                            @elseif ($loan !== null && $one->opens())<a class="link py-1" href="{{
                                App\Lending\Loans\Opening::address($loan->id, $one->format) }}">{{
                                App\Lending\Loans\Opening::verb($one->format) }}<span class="sr-only">:
                                {{ $one->name }}</span></a>
                            @elseif ($loan === null && ($isReady || $standing->availability->canBorrow() && !
                                $standing->aboveCard && $standing->atLimit === null && $standing->elsewhere ===
                                null))<a class="link py-1" href="/titles/{{ $one->id }}/borrow">{{ __('lending.borrow')
                                }}<span class="sr-only">: {{ $one->name }}</span></a>@endif</span></li>@endforeach</ol>
                </section>
            @endif
        </div>
    </div>
    <section aria-labelledby="alike" class="mt-9">
        <h2 id="alike" class="text-2xl mb-3"><a class="no-underline hover:underline"
            href="{{ $current->link("/titles/{$title->id}/alike") }}">{{ __('catalogue.alike') }}</a></h2>
        {{-- As high as a row of covers, so that nothing moves when they come. --}}
        <div class="min-h-56 lg:min-h-80" hx-get="/titles/{{ $title->id }}/alike" hx-trigger="intersect once"></div>
    </section>
</x-layout>

@use('App\Exchange\Sending\MaySend')
@use('App\Exchange\Packages\Downloads')
@use('FigPorch\Core\Exchange\Sending\Way')
@use('FigPorch\Core\Lending\DownloadRight')
@php use App\Shared\View\TitleText; @endphp
<x-layout :title="__('common.loans')" on="loans">
    <div class="flex items-baseline justify-between gap-4 mb-4"><h1 class="text-3xl">{{ __('common.loans') }}</h1><p
        class="flex gap-4"><a class="link" href="/offline">{{ __('offline.heading') }}</a><a class="link"
        href="{{ route('almanac', [], false) }}">{{ __('almanac.heading') }}</a><a class="link"
        href="/marks">{{ __('reading.marks') }}</a></p></div>
    <script type="application/json" id="offline-texts">{!! json_encode(__('offline.texts'), JSON_HEX_TAG | JSON_HEX_AMP
        | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR) !!}</script>
    @forelse ($loans as $on)
        @php($title = $on->loan->title)
        <article class="border-t border-rule py-4 grid grid-cols-[74px_1fr] md:grid-cols-[74px_1fr_auto] gap-x-4
            gap-y-3" data-loan="{{ $on->loan->id }}" data-title="{{ $on->loan->title_id }}">
            {{ App\Shared\View\Covers\Cover::html($title, decorative: true) }}
            <div class="min-w-0">
                <h2 class="text-xl"><a class="no-underline hover:underline"
                    href="{{ $current->link(route('titles.show', $title, false), $on->loan->card->library) }}">{{
                        App\Shared\View\TitleText::name($title) }}</a></h2>
                <div>{{ TitleText::people($title) }}</div>
                <div class="meta">{{ TitleText::kind($title) }}@if ($on->loan->card?->library) ·
                    {{ __('lending.from', ['library' => $on->loan->card->library->short_name]) }}@endif</div>
                <div @class(['mt-1', 'text-clay font-semibold' => $on->loan->due_at < $now->modify('+3 days')])>{{
                    __('loans.due', ['date' => '']) }} {{ App\Shared\View\Dates::html($on->loan->due_at,
                    $on->loan->card->library->zone()) }}</div>
                @php($look = $short[$on->loan->id] ?? null)
                @if ($look !== null)<div class="meta">{{ match (true) {
                    $look['until'] !== null => __('loans.can_be_longer', ['date' =>
                        App\Shared\View\Dates::day($look['until'], $on->loan->card->library->zone())]),
                    $look['hold'] => __('loans.others_wait_held'),
                    $look['line']?->turn?->to !== null => __('loans.others_wait_range', ['range' =>
                        App\Shared\View\Dates::range($look['line']->turn->from, $look['line']->turn->to,
                        $on->loan->card->library->zone())]),
                    $look['line'] !== null => __('loans.others_wait'),
                    default => '',
                } }}</div>@endif
                @if (($renewFrom[$on->loan->id] ?? $now) > $now)<div
                    class="meta">{{ __('loans.renew_from', ['date' =>
                    App\Shared\View\Dates::day($renewFrom[$on->loan->id], $on->loan->card->library->zone())])
                    }}</div>@endif
                <div class="meta">{{ $on->hasFile ? App\Lending\Loans\Opening::reached($on) : __('lending.no_file')
                    }}</div>
                @php($files = $files_of[$on->loan->id] ?? null)
                @if ($files?->offline)<div class="flex flex-wrap gap-x-3 gap-y-1 items-center mt-2"
                    data-offline="{{ json_encode(['id' => (string) $on->loan->id, 'title' => $title->name, 'address' =>
                    App\Lending\Loans\Opening::of($on->loan), 'files' => "/loans/{$on->loan->id}/files", 'offline' =>
                    route('offline.files', $on->loan, false), 'cover' => $title->cover_file === null ? null :
                    route('titles.cover', $title, false), 'bytes' => $files->bytes]) }}"></div>@endif
                @php($right = DownloadRight::from($files->download ?? 'none'))
                @php($kinds = $files === null ? [] : Downloads::kinds($title->format, $files->media_type, $right))
                @if ($kinds !== [])<p class="mt-2 text-[15px]">{{ __('loans.download') }}
                    @foreach ($kinds as $kind => $ending)<a
                    class="link" href="{{ route('download', [$on->loan, $kind], false) }}">{{
                    __('loans.downloads')[$kind === 'protected' ? "protected{$ending}" : $kind] }}<span
                    class="sr-only">:
                    {{ $title->name }}</span></a>@if (! $loop->last) · @endif @endforeach</p>
                    @if ($right === DownloadRight::Protected)
                        @php($protected = $protected_of[$on->loan->id] ?? null)
                        <p class="meta max-w-[65ch]">{{ $protected === null ? __('lcp.loan_text') : __('lcp.loan_hint',
                            ['hint' => $protected->hint]) }} @if ($protected?->events_count > 0){{
                            trans_choice('lcp.loan_devices', $protected->events_count) }}@endif</p>
                    @else
                        <p class="meta max-w-[65ch]">{{ __('lcp.open_text') }}</p>
                    @endif
                    @if ($right === DownloadRight::Open && in_array($files->media_type, MaySend::BOOKS, true))
                        <p class="text-[15px]">@include('exchange.sending.ways', ['to' => route('sendings.book',
                            $on->loan, false), 'of' => $title->name, 'ways' => [Way::EReader, Way::Folder]])</p>
                    @endif
                @endif
            </div>
            <div class="col-span-2 md:col-span-1 flex flex-wrap gap-2 items-start"><x-lending.loan-acts :on="$on"
                :short="$short[$on->loan->id] ?? null"
                :renewable="($renewFrom[$on->loan->id] ?? null) !== null && $renewFrom[$on->loan->id] <= $now" /></div>
        </article>
    @empty
        <div class="panel p-6"><p class="mb-3">{{ __('loans.no_loans') }}</p><a class="btn"
            href="{{ $current->link(route('catalogue', ['ready' => 1], false)) }}">{{ __('account.find_something')
                }}</a></div>
    @endforelse
</x-layout>

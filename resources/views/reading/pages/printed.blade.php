@use('FigPorch\Core\Exchange\Sending\Way')
<x-layout :title="__('pages.heading')" on="loans">
    <div class="no-print flex flex-wrap gap-3 items-center mb-6"><button type="button" class="btn"
        data-print>{{ __('pages.print') }}</button><a class="btn btn-quiet"
        href="{{ route('pages.choose', $loan, false) }}">{{ __('pages.heading') }}</a><a class="link"
        href="{{ route('read.show', $loan, false) }}">{{ __('pages.back') }}</a>
        @if ($asPdf)@include('exchange.sending.ways', ['to' =>
            route('sendings.pages', [$loan, $from, $to], false), 'ways' => [Way::Mail, Way::Folder]])@endif</div>
    <article class="printed" @if ($title->language) lang="{{ $title->language }}" @endif
        @if ($title->publication->right_to_left) dir="auto" @endif>
        <header><p class="meta">{{ App\Shared\View\TitleText::name($title) }} · {{ trans_choice('pages.pages_shown', $to
            - $from + 1, ['first' =>
            $first, 'last' => $last]) }}</p></header>
        {!! $html !!}
        <footer class="meta border-t border-rule mt-8 pt-3">{{ $citation }}</footer>
    </article>
</x-layout>

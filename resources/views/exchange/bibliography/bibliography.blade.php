@use('FigPorch\Core\Exchange\Sending\Way')
@use('FigPorch\Core\Catalogue\Citation\Reference')
@use('FigPorch\Core\Catalogue\Citation\Style')
<x-layout :title="__('baskets.bibliography')" on="baskets">
    <p class="mb-1 text-[15px]"><a class="link" href="/baskets/{{ $basket->id }}">{{ $basket->name }}</a></p>
    <h1 class="text-3xl mb-3">{{ __('baskets.bibliography') }}</h1>
    <form class="flex items-center gap-2 mb-5"><label for="style">{{ __('baskets.style') }}</label><select id="style"
        name="style" data-submit-on-change class="field py-1.5 min-h-9">@foreach (Style::cases() as $of)<option
        value="{{ $of->value }}" @selected($of === $style)>{{ __("baskets.styles.{$of->value}")
        }}</option>@endforeach</select><noscript><button
        class="btn btn-quiet">{{ __('catalogue.apply') }}</button></noscript></form>
    @if ($cited === [])
        <p class="panel p-6 max-w-2xl">{{ __('baskets.nothing_in_it') }}</p>
    @else
        <div class="panel p-6 max-w-[80ch] grid gap-3" lang="en">
            @foreach ($cited as $n => $title)<p class="pl-8 -indent-8">@if ($style === Style::Vancouver){{ $n + 1 }}.
                @endif{!! Reference::html($title, $style) !!}</p>@endforeach
        </div>
        <p class="meta mt-3">{{ __('baskets.check') }}</p>
        @if ($current->person !== null)<div class="mt-3">@include('exchange.sending.ways', ['to' =>
            route('sendings.bibliography', ['basket' => $basket, 'style' => $style->value], false), 'ways' =>
            [Way::Mail, Way::Folder]])</div>@endif
    @endif
</x-layout>

@use('App\Lending\Classes\ArrangeClasses')
@use('App\Shared\View\TitleText')
<x-layout :title="__('classes.give_basket')" on="baskets">
    <p class="mb-1"><a class="link" href="{{ route('baskets.show', $basket, false) }}">{{ $basket->name }}</a></p>
    <h1 class="text-3xl mb-4">{{ __('classes.give_basket') }}</h1>
    @if ($classes->isEmpty())<p class="panel p-5">{{ __('classes.none') }} <a class="link"
        href="{{ route('classes.index', absolute: false) }}">{{ __('classes.make') }}</a></p>
    @elseif ($titles->isEmpty())<p class="panel p-5">{{ __('classes.empty_basket') }}</p>
    @else
        @include('lending.classes.ask', ['action' => route('baskets.for_class', $basket, false)])
        @if ($capacities !== [])
            <section class="panel p-5 max-w-[90ch]" aria-labelledby="holds"><div role="status"><h2 id="holds"
                class="text-xl mb-1">{{ reset($capacities)->pupils === 0 ? __('classes.holds.nobody') :
                trans_choice('classes.short_of', $short, ['all' => trans_choice('classes.titles', $titles->count())])
                }}</h2>@if ($cents > 0)<p class="mb-2">{{ __('classes.cost_in_all', ['sum' => (string) (new
                NumberFormatter(app()->getLocale(), NumberFormatter::CURRENCY))->formatCurrency($cents / 100,
                $asked->class->library->currency)]) }} @if ($unpriced > 0){{ trans_choice('classes.unpriced', $unpriced)
                }}@endif</p>@endif</div>
                <form method="post" action="{{ route('classes.give', $asked->class, false) }}">@csrf<input type="hidden"
                    name="first_day" value="{{ $asked->first }}"><input type="hidden" name="last_day"
                    value="{{ $asked->last }}">
                    <ul class="divide-y divide-rule my-3">@foreach ($titles as $title)
                        @php($of = $capacities[$title->id])
                        <li class="py-2"><label class="flex items-start gap-3"><input type="checkbox" name="titles[]"
                            value="{{ $title->id }}" checked class="accent-shutter w-4 h-4 mt-1 flex-none"><span
                            class="grow min-w-0"><b>{{ TitleText::name($title) }}</b><span class="meta block">{{
                            implode(' · ', array_filter([TitleText::people($title), TitleText::format($title)]))
                            }}</span></span><span @class(['text-[15px] text-right max-w-[26ch]', 'text-clay
                            font-semibold' => !$of->holdsInTurn()])>{{ $of->pupils === 0 ? '' : match (true) {
                                $of->holdsAtOnce() => __('classes.row.at_once'),
                                $of->holdsInTurn() => __('classes.row.in_turn'),
                                default => trans_choice('classes.row.not', $of->copiesInTurn),
                            } }}</span></label></li>@endforeach</ul>
                    <button class="btn">{{ __($short === 0 ? 'classes.give_all' : 'classes.give_all_anyway') }}</button>
                </form>
                <details class="mt-4 text-[15px]"><summary class="link cursor-pointer">{{ __('classes.rests')
                    }}</summary><p class="mt-2">{{ __('classes.rests_text') }}</p></details></section>
        @endif
    @endif
</x-layout>

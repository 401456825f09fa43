@use('App\Desk\Batches\ChosenTitles')
@use('App\Shared\View\Dates')
@use('FigPorch\Core\Catalogue\Audience')
@use('FigPorch\Core\Desk\BatchAction')
@use('FigPorch\Core\Lending\LicenceModel')
@php
    $zone = $staff->library->zone();
    $byHand = $lists->whereNull('words')->pluck('name', 'id')->all();
    $choose = old('choose', 'search');
    $what = old('what', BatchAction::Licence->value);
@endphp
<x-desk.layout :title="__('batches.title')" on="titles" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="/desk/titles">{{ __('desk.titles') }}</a></p>
    <h1 class="text-3xl mb-1">{{ __('batches.title') }}</h1>
    <p class="mb-4 max-w-[90ch]">{{ __('batches.text', ['most' => App\Shared\View\Numbers::of(ChosenTitles::MOST)])
        }}</p>
    <form method="post" action="{{ route('desk.batches.look') }}" enctype="multipart/form-data"
        class="grid lg:grid-cols-2 gap-6 mb-8 items-start" data-send-once>
        @csrf
        <fieldset class="panel p-5 grid gap-4"><legend class="sr-only">{{ __('batches.which') }}</legend>
            <h2 class="text-xl" aria-hidden="true">{{ __('batches.which') }}</h2>
            <div class="choice"><label class="flex items-center gap-2 font-semibold"><input type="radio" name="choose"
                value="search" class="accent-shutter w-4 h-4" @checked($choose === 'search')>{{
                __('batches.choose.search') }}</label>
                <div class="choice-fields"><div class="sm:col-span-2"><x-desk.field name="find" :max="200"
                    :needed="false" :label="__('batches.words')" :hint="__('batches.words_hint')" :usual="$find" />
                    </div></div></div>
            @if ($lists->isNotEmpty())
                <div class="choice"><label class="flex items-center gap-2 font-semibold"><input type="radio"
                    name="choose" value="list" class="accent-shutter w-4 h-4" @checked($choose === 'list')>{{
                    __('batches.choose.list') }}</label>
                    <div class="choice-fields"><x-desk.options name="from_list" :label="__('batches.list')"
                        :options="$lists->pluck('name', 'id')" /></div></div>
            @endif
            <div class="choice"><label class="flex items-center gap-2 font-semibold"><input type="radio" name="choose"
                value="numbers" class="accent-shutter w-4 h-4" @checked($choose === 'numbers')>{{
                __('batches.choose.numbers') }}</label>
                <div class="choice-fields"><x-desk.field name="file" type="file" :needed="false"
                    :label="__('batches.file')" :hint="__('batches.file_hint')"
                    accept=".csv,.txt,.tsv,text/csv,text/plain" />
                    <div class="grid gap-1"><label for="numbers" class="font-semibold">{{ __('batches.numbers')
                    }}</label>@if ($errors->has('numbers'))<p id="numbers-error" class="text-clay font-semibold">{{
                    $errors->first('numbers') }}</p>@endif<textarea id="numbers" name="numbers" rows="4"
                    @if ($errors->has('numbers')) aria-invalid="true" aria-describedby="numbers-error" @endif
                    class="field w-full">{{ old('numbers') }}</textarea></div></div></div>
        </fieldset>
        <fieldset class="panel p-5 grid gap-4"><legend class="sr-only">{{ __('batches.do_what') }}</legend>
            <h2 class="text-xl" aria-hidden="true">{{ __('batches.do_what') }}</h2>
            @foreach (BatchAction::chosen() as $action)
                @continue($action === BatchAction::PutOnList && $byHand === [])
                <div class="choice"><label
                    class="flex items-center gap-2 font-semibold"><input type="radio" name="what"
                    value="{{ $action->value }}" class="accent-shutter w-4 h-4"
                    @checked($what === $action->value)>{{ __("batches.what.{$action->value}") }}</label>
                    <div class="choice-fields">
                        @switch($action)
                            @case(BatchAction::Licence)
                                <x-desk.options name="model" :label="__('desk.model')" :options="array_map(fn ($of) =>
                                    __('desk.models.'.$of->value), array_column(LicenceModel::cases(), null,
                                    'value'))" />
                                <x-desk.field name="price" :max="10" :needed="false" inputmode="decimal"
                                    :label="__('batches.price', ['currency' => $staff->library->currency])"
                                    :hint="__('titles.price_hint')" />
                                <x-desk.field name="copies" type="number" :needed="false" usual="1" min="1"
                                    :label="__('titles.number_of_copies')" />
                                <x-desk.field name="loans" type="number" :needed="false" min="1"
                                    :label="__('titles.number_of_loans')" />
                                <x-desk.field name="ends" type="date" :needed="false"
                                    :label="__('batches.last_day')" :hint="__('batches.last_day_hint')" />
                                <label class="flex items-center gap-2"><input type="checkbox" name="shared" value="1"
                                    @checked(old('what') === null ? $staff->library->shares : old('shared'))
                                    class="accent-shutter w-4 h-4">{{ __('desk.shared') }}</label>
                                <div class="sm:col-span-2">@include('desk.titles.rights', ['fresh' => old('what') ===
                                    null])</div>
                                @break
                            @case(BatchAction::Withdraw)
                                <x-desk.field name="last_day" type="date" :needed="false"
                                    :label="__('batches.last_day')" :hint="__('batches.withdraw_text')" />
                                @break
                            @case(BatchAction::PutOnList)
                                <x-desk.options name="list" :label="__('batches.list')" :options="$byHand" />
                                @break
                            @case(BatchAction::AddSubject)
                            @case(BatchAction::RemoveSubject)
                                <x-desk.field :name="$action->value" :max="255" :needed="false"
                                    :label="__('batches.subject')" />
                                @break
                            @default
                                <x-desk.options name="audience" :label="__('batches.audience')"
                                    :options="array_map(fn ($of) => __('search.audiences.'.$of->value),
                                    array_column(Audience::cases(), null, 'value'))" />
                        @endswitch
                    </div></div>
            @endforeach
            <div><button class="btn">{{ __('batches.look') }}</button></div>
        </fieldset>
    </form>
    @if ($batches->isNotEmpty())
        <section aria-labelledby="last"><h2 id="last" class="text-2xl mb-2">{{ __('batches.last') }}</h2>
            <ul class="panel divide-y divide-rule">@foreach ($batches as $batch)<li class="px-4 py-3 flex flex-wrap
                items-baseline gap-3"><a class="font-semibold grow" href="{{ route('desk.batch', $batch) }}">{{
                __("batches.what.{$batch->what->value}") }} · <bdi>{{ $batch->chosen }}</bdi></a><span class="meta">{{
                trans_choice('batches.titles', $batch->rows_count, ['count' =>
                App\Shared\View\Numbers::of($batch->rows_count)]) }} · {{ __("batches.stages.{$batch->stage}") }} · {{
                $batch->member->name }} · {{ Dates::exact($batch->asked_at, $zone) }}</span></li>@endforeach</ul>
        </section>
    @endif
</x-desk.layout>

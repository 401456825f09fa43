@use('App\Shared\View\TitleText')
<x-layout :title="__('lending.ask_words')" on="requests">
    <div class="max-w-xl mx-auto mt-4">
        <h1 class="text-3xl mb-1">{{ __('lending.ask_words') }}</h1>
        <p class="mb-4">{{ __('requests.ask_words_text', ['library' => $library->name]) }}</p>
        @if ($known !== null)
            <section aria-labelledby="known" class="panel bg-lamp-wash border-lamp-line p-5 mb-4">
                <h2 id="known" class="text-xl mb-1">{{ __('requests.ask_words_known') }}</h2>
                <ul class="divide-y divide-rule mb-3">@foreach ($known as $title)<li
                    class="py-2 flex gap-3">{{ App\Shared\View\Covers\Cover::html($title, 40, decorative: true)
                        }}<span><a
                    class="link font-semibold" href="{{ $current->link("/titles/{$title->id}") }}">{{
                        TitleText::name($title)
                        }}</a><br>{{
                    TitleText::people($title) }} <span class="meta">{{ TitleText::format($title)
                    }}</span></span></li>@endforeach</ul>
                <button class="btn btn-quiet" form="ask" name="none_of_them"
                    value="1">{{ __('requests.ask_words_none') }}</button>
            </section>
        @endif
        <form id="ask" method="post" action="/ask" class="panel p-5 grid gap-3">
            @csrf
            <label class="grid gap-1"><span class="font-semibold">{{ __('requests.ask_words_title') }}</span><input
                name="name" value="{{ old('name', $name) }}" required maxlength="200" class="field"
                @if ($errors->has('name')) aria-invalid="true" aria-describedby="name-error" @endif>
                @if ($errors->has('name'))<span id="name-error" class="text-clay font-semibold">{{
                $errors->first('name')
                }}</span>@endif</label>
            <label class="grid gap-1"><span class="font-semibold">{{ __('requests.ask_words_people') }}</span><input
                name="people" value="{{ old('people') }}" maxlength="200" class="field"></label>
            <div class="grid sm:grid-cols-2 gap-3">
                <label class="grid gap-1"><span class="font-semibold">{{ __('common.format') }}</span><select
                    name="format" class="field"><option value="">{{ __('requests.ask_words_any')
                    }}</option>@foreach (FigPorch\Core\Catalogue\Format::lent() as $format)<option
                    value="{{ $format->value }}" @selected(old('format') === $format->value)>{{
                    Illuminate\Support\Str::ucfirst(__("catalogue.format.{$format->value}"))
                    }}</option>@endforeach</select></label>
                <label class="grid gap-1"><span class="font-semibold">{{ __('requests.ask_words_isbn') }}</span><input
                    name="number" value="{{ old('number') }}" maxlength="40" class="field"
                    @if ($errors->has('number')) aria-invalid="true" aria-describedby="number-error" @endif>
                    @if ($errors->has('number'))<span id="number-error" class="text-clay font-semibold">{{
                    $errors->first('number') }}</span>@endif</label>
            </div>
            <label class="flex gap-2.5"><input type="checkbox" name="notice" value="1"
                @checked(old('name') === null || old('notice'))
                class="accent-shutter w-4.5 h-4.5 mt-0.5"><span>{{ __('requests.ask_notice') }}</span></label>
            <label class="flex gap-2.5"><input type="checkbox" name="hold" value="1"
                @checked(old('name') === null || old('hold')) class="accent-shutter w-4.5 h-4.5 mt-0.5"><span>{{
                __('requests.ask_hold') }} <span class="text-soft block">{{ __('requests.ask_hold_text')
                }}</span></span></label>
            <div class="flex gap-2"><button class="btn">{{ __('lending.ask') }}</button><a class="btn btn-plain"
                href="/requests">{{ __('lending.not_now') }}</a></div>
        </form>
    </div>
</x-layout>

<x-layout :title="__('lending.ask').': '.$title->name" on="catalogue">
    <div class="max-w-xl mx-auto mt-4 flex gap-5">
        {{ App\Shared\View\Covers\Cover::html($title, 96, decorative: true, class: 'max-sm:hidden') }}
        <div class="flex-1">
            <h1 class="text-3xl mb-1">{{ App\Shared\View\TitleText::name($title) }}</h1>
            <p>{{ App\Shared\View\TitleText::people($title) }}</p>
            <p class="meta mb-3">{{ App\Shared\View\TitleText::kind($title) }}</p>
            <form method="post" action="/titles/{{ $title->id }}/ask" class="panel p-5 grid gap-3">
                @csrf
                <h2 class="text-xl">{{ __('requests.ask_heading', ['library' => $library->name]) }}</h2>
                <p>{{ __('requests.ask_text') }}</p>
                <label class="flex gap-2.5"><input type="checkbox" name="notice" value="1"
                    @checked($asked->wants_notice ?? true) class="accent-shutter w-4.5 h-4.5 mt-0.5"><span>{{
                    __('requests.ask_notice') }}</span></label>
                <label class="flex gap-2.5"><input type="checkbox" name="hold" value="1"
                    @checked($asked->wants_hold ?? true) class="accent-shutter w-4.5 h-4.5 mt-0.5"><span>{{
                    __('requests.ask_hold') }} <span class="text-soft block">{{ __('requests.ask_hold_text')
                    }}</span></span></label>
                <div class="flex gap-2"><button class="btn">{{ __('lending.ask') }}</button><a class="btn btn-plain"
                    href="{{ $current->link("/titles/{$title->id}") }}">{{ __('lending.not_now') }}</a></div>
            </form>
        </div>
    </div>
</x-layout>

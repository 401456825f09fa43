@php($person = $current->person)
<x-layout :title="__('letters.write')">
    <div class="max-w-2xl mx-auto">
        <h1 class="text-3xl mb-2">{{ __('letters.write_to', ['library' => $current->library->name]) }}</h1>
        <p class="mb-4">{{ __($person === null ? 'letters.text_guest' : 'letters.text') }}</p>
        <form method="post" action="{{ route('letters.send', [], false) }}" class="panel p-5 grid gap-4">@csrf
            @if ($person === null)
                <x-desk.field name="email" type="email" :max="255" :label="__('letters.email')" autocomplete="email" />
                <x-desk.field name="name" :label="__('letters.name')" :needed="false" autocomplete="name" />
            @endif
            <x-desk.field name="about" :max="300" :label="__('letters.about')" :hint="__('letters.about_hint')"
                :needed="false" :usual="$about" />
            <x-account.letter-text :label="__('letters.letter')" />
            <div><button class="btn">{{ __('letters.send') }}</button></div>
        </form>
        @if ($person !== null)<p class="mt-4"><a class="link" href="{{ route('letters.index', [], false) }}">{{
            __('letters.mine') }}</a></p>@endif
    </div>
</x-layout>

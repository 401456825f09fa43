<x-desk.layout :title="__('setup.title')">
    <div class="max-w-2xl mx-auto mt-4">
        <h1 class="text-3xl mb-2">{{ __('setup.title') }}</h1>
        <p class="mb-5">{{ __('setup.text') }}</p>
        @if ($errors->any())<p class="message border-clay mb-4" role="alert">{{ __('setup.errors.heading') }}</p>@endif
        <form method="post" action="/desk/begin/{{ $key }}" class="grid gap-6" data-send-once>
            @csrf
            <fieldset class="panel p-5 grid gap-4">
                <legend class="sr-only">{{ __('setup.you') }}</legend>
                <h2 class="text-xl" aria-hidden="true">{{ __('setup.you') }}</h2>
                <x-desk.field name="staff_name" :label="__('setup.staff_name')" autocomplete="name" />
                <x-desk.field name="email" :label="__('setup.email')" type="email" max="200" autocomplete="username" />
                <x-desk.field name="password" :label="__('setup.password')" type="password" max="200"
                    :hint="__('setup.password_hint')"
                    autocomplete="new-password" minlength="12" />
            </fieldset>
            <fieldset class="panel p-5 grid gap-4">
                <legend class="sr-only">{{ __('setup.library') }}</legend>
                <h2 class="text-xl" aria-hidden="true">{{ __('setup.library') }}</h2>
                <x-desk.field name="name" :label="__('setup.name')" :hint="__('setup.name_hint')" />
                <div class="grid sm:grid-cols-2 gap-4">
                    <x-desk.field name="short_name" :label="__('setup.short_name')" max="40"
                        :hint="__('setup.short_name_hint')" />
                    <x-desk.field name="place" :label="__('setup.place')" :hint="__('setup.place_hint')" />
                </div>
                <x-desk.field name="slug" :label="__('setup.slug')" max="40" :hint="__('setup.slug_hint')"
                    pattern="[a-z0-9]+(-[a-z0-9]+)*" />
                <div class="grid gap-1">
                    <label for="timezone" class="font-semibold">{{ __('setup.timezone') }}</label>
                    <p id="timezone-hint" class="meta">{{ __('setup.timezone_hint') }}</p>
                    @if ($errors->has('timezone'))<p class="text-clay font-semibold">{{ $errors->first('timezone') }}
                        </p>@endif
                    <select id="timezone" name="timezone" class="field" required aria-describedby="timezone-hint">
                        @foreach ($timezones as $zone)<option
                            @selected(old('timezone', 'UTC') === $zone)>{{ $zone }}</option>@endforeach</select>
                </div>
                <x-desk.field name="pin_contact" :label="__('setup.pin_contact')" :hint="__('setup.pin_contact_hint')"
                    :usual="__('setup.pin_contact_usual')" />
                <x-desk.field name="consortium" :label="__('setup.consortium')" :hint="__('setup.consortium_hint')"
                    :needed="false" />
            </fieldset>
            <fieldset class="panel p-5 grid gap-3">
                <legend class="sr-only">{{ __('setup.rules') }}</legend>
                <h2 class="text-xl" aria-hidden="true">{{ __('setup.rules') }}</h2>
                @foreach ($rules as $of)
                    <label class="flex gap-2.5 items-start"><input type="radio" name="rules" value="{{ $of->value }}"
                        @checked(old('rules', 'public') === $of->value)
                        class="accent-shutter w-4.5 h-4.5 mt-1 shrink-0"><span class="font-semibold">{{
                        __("setup.rules_of.{$of->value}.0") }}<span
                        class="meta block font-normal">{{ __("setup.rules_of.{$of->value}.1") }}</span></span></label>
                @endforeach
            </fieldset>
            <fieldset class="panel p-5 grid gap-1">
                <legend class="sr-only">{{ __('setup.patrons') }}</legend>
                <label for="patrons" class="text-xl font-serif font-semibold">{{ __('setup.patrons') }}</label>
                <p id="patrons-hint" class="meta">{{ __('setup.patrons_hint') }}</p>
                @if ($errors->has('patrons'))<p class="text-clay font-semibold">{{ $errors->first('patrons') }}</p>
                @endif
                <textarea id="patrons" name="patrons" rows="5" class="field" aria-describedby="patrons-hint"
                    >{{ old('patrons') }}</textarea>
            </fieldset>
            <div><button class="btn">{{ __('setup.send') }}</button></div>
        </form>
    </div>
</x-desk.layout>

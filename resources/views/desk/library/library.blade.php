@use('App\Shared\View\Dates')
@php
    $zone = $library->zone();
    $day = fn (string $of): string => Dates::day(new DateTimeImmutable("{$of} 12:00", $zone), $zone);
@endphp
<x-desk.layout :title="__('library.heading')" on="library" :staff="$staff">
    <h1 class="text-3xl mb-2">{{ __('library.heading') }}</h1>
    @include('desk.library.tabs', ['here' => 'library'])
    <div class="grid grid-cols-1 lg:grid-cols-[1fr_420px] gap-8 items-start">
        <form method="post" action="{{ route('desk.library.save', absolute: false) }}" class="panel p-5 grid gap-5">
            @csrf
            <div class="grid sm:grid-cols-2 gap-4 items-end">
                <x-desk.field name="name" :label="__('setup.name')" :usual="$library->name" />
                <x-desk.field name="short_name" max="40" :label="__('setup.short_name')"
                    :usual="$library->short_name" />
                <x-desk.field name="place" :label="__('setup.place')" :usual="$library->place" />
                <x-desk.field name="pin_contact" :label="__('setup.pin_contact')" :usual="$library->pin_contact" />
                <div class="grid gap-1"><label for="timezone" class="font-semibold">{{ __('setup.timezone')
                    }}</label><select id="timezone" name="timezone" class="field min-w-0 w-full">@foreach ($timezones
                        as $name)<option
                    @selected(old('timezone', $library->timezone) === $name)>{{ $name }}</option>@endforeach</select>
                    </div>
            </div>
            <div class="grid gap-1"><label for="symbology" class="font-semibold">{{ __('library.symbology') }}</label><p
                id="symbology-hint" class="meta">{{ __('library.symbology_hint') }}</p><select id="symbology"
                name="symbology" class="field min-w-0 w-full sm:w-1/2" aria-describedby="symbology-hint">
                @foreach (FigPorch\Core\Lending\Symbology::cases() as $of)<option value="{{ $of->value }}"
                @selected(old('symbology', $library->symbology) === $of->value)>{{
                __("library.symbologies.{$of->value}") }}</option>@endforeach</select></div>
            <fieldset class="min-w-0"><legend class="font-semibold mb-1">{{ __('library.languages') }}</legend>
                <div class="flex flex-wrap gap-x-6 gap-y-2 items-center"><label class="flex items-center gap-2"><span>{{
                    __('library.language') }}</span><select name="language"
                    class="field py-1.5 min-h-9">@foreach ($languages as $code)<option value="{{ $code }}"
                    @selected(old('language', $library->languages[0]) === $code)>{{ config("app.locales.{$code}")
                    }}</option>@endforeach</select></label><label class="flex items-center gap-2"><input type="checkbox"
                    name="other_languages" value="1" @checked(old('other_languages', count($library->languages) > 1))
                    class="accent-shutter w-4 h-4">{{ __('library.other_languages') }}</label></div></fieldset>
            <fieldset class="min-w-0"><legend class="font-semibold mb-2">{{ __('library.money') }}</legend>
                <div class="grid sm:grid-cols-2 gap-4 items-end">
                    <x-desk.field name="currency" max="3" :label="__('library.currency')"
                        :hint="__('library.currency_hint')" :usual="$library->currency" />
                    <div class="grid gap-1"><label for="budget_month" class="font-semibold">{{
                        __('library.budget_month') }}</label><select id="budget_month" name="budget_month"
                        class="field min-w-0 w-full">@for ($month = 1; $month <= 12; $month++)<option value="{{
                            $month }}"
                        @selected((int) old('budget_month', $library->budget_month) === $month)>{{
                        App\Desk\Figures\DeskText::month(sprintf('2026-%02d', $month), 'LLLL')
                        }}</option>@endfor</select></div>
                    <x-desk.field name="edi_number" max="35" :label="__('library.edi_number')"
                        :hint="__('library.edi_hint')" :usual="$library->edi_number" :needed="false" />
                    <x-desk.field name="edi_supplier" max="35" :label="__('library.edi_supplier')"
                        :usual="$library->edi_supplier" :needed="false" />
                </div></fieldset>
            <fieldset class="min-w-0"><legend class="font-semibold mb-1">{{ __('library.quiet') }}</legend><p
                class="meta mb-2">{{
                __('library.quiet_hint') }}</p><div class="grid sm:grid-cols-2 gap-4 items-end">
                <x-desk.field name="quiet_from" type="time" :label="__('library.quiet_from')"
                    :usual="substr((string) $library->quiet_from, 0, 5)" :needed="false" />
                <x-desk.field name="quiet_until" type="time" :label="__('library.quiet_until')"
                    :usual="substr((string) $library->quiet_until, 0, 5)" :needed="false" /></div></fieldset>
            <fieldset class="min-w-0"><legend class="font-semibold mb-1">{{ __('library.sharing') }}</legend>
                @if ($shared === [])<p class="meta">{{ __('library.shares_with_nobody') }}</p>
                @else<label class="flex items-center gap-2 mb-2"><input type="checkbox" name="shares" value="1"
                    @checked(old('shares', $library->shares)) class="accent-shutter w-4 h-4">{{ __('library.shares')
                    }}</label>
                    <div class="overflow-x-auto" tabindex="0" role="group" aria-label="{{ __('library.sharing')
                        }}"><table
                    class="w-full text-[15px] desk-table"><thead><tr><th scope="col">{{ __('common.library')
                    }}</th><th scope="col" class="num">{{ __('library.given') }}</th><th scope="col" class="num">{{
                    __('library.taken') }}</th></tr></thead><tbody>@foreach ($shared as $of)<tr><th scope="row"
                    class="text-left font-normal">{{ $of->name }}</th><td class="num">{{
                        App\Shared\View\Numbers::of($of->given)
                    }}</td><td class="num">{{ App\Shared\View\Numbers::of($of->taken)
                        }}</td></tr>@endforeach</tbody></table></div>
                @endif</fieldset>
            <div><button class="btn">{{ __('orders.keep') }}</button></div>
        </form>
        <div class="grid grid-cols-1 gap-6">
            <form method="post" action="{{ route('desk.library.look', absolute: false) }}" enctype="multipart/form-data"
                class="panel p-5 grid grid-cols-1 gap-4" id="look">@csrf
                <h2 class="text-xl">{{ __('library.look') }}</h2>
                <div class="grid grid-cols-1 gap-1"><label for="logo" class="font-semibold">{{ __('library.logo')
                    }}</label><p
                    id="logo-hint" class="meta">{{ __('library.logo_hint') }}</p>
                    @if ($errors->has('logo'))<p class="text-clay font-semibold">{{ $errors->first('logo') }}</p>@endif
                    @if ($library->logo !== null)<img src="{{ route('look.logo', $library->logo, false) }}" alt="{{
                        __('library.logo_now') }}" class="h-12 w-auto justify-self-start bg-on-shutter p-1 rounded">
                        <label class="flex items-center gap-2"><input type="checkbox" name="no_logo" value="1"
                        class="accent-shutter w-4 h-4">{{ __('library.no_logo') }}</label>@endif
                    <input id="logo" type="file" name="logo" accept="image/png,image/svg+xml" class="field py-2
                        min-w-0 w-full"
                    aria-describedby="logo-hint"></div>
                <fieldset class="grid gap-2 min-w-0"><legend class="font-semibold">{{ __('library.colours') }}</legend>
                    @if ($errors->has('colours'))<p class="text-clay font-semibold" role="alert">{{
                        $errors->first('colours') }}</p>@endif
                    <label class="flex items-center gap-2"><input type="checkbox" name="own_colours" value="1"
                        @checked(old('own_colours', $library->roof_colour !== null)) class="accent-shutter w-4 h-4">{{
                        __('library.own_colours') }}</label>
                    @foreach (['roof' => '#1f4b56', 'door' => '#1f4b56'] as $of => $usual)<label class="flex
                        items-center gap-3"><input type="color" name="{{ $of }}" class="w-12 h-9"
                        value="{{ old($of, $library->{"{$of}_colour"} ?? $usual) }}">{{ __("library.{$of}")
                        }}</label>@endforeach
                    <p class="meta">{{ __('library.colours_hint') }}</p></fieldset>
                <div><button class="btn btn-quiet">{{ __('orders.keep') }}</button></div>
            </form>
            <section class="panel p-5" aria-labelledby="reading-apps"><h2 id="reading-apps" class="text-xl mb-1">{{
                __('opds.apps') }}</h2><p class="mb-2">{{ __('opds.apps_desk') }}</p><p class="mb-1"><code
                class="break-all">{{ $catalogue }}</code></p><p class="meta">{{ __('opds.apps_older') }}</p></section>
            <section class="panel p-5" aria-labelledby="closed"><h2 id="closed" class="text-xl mb-1">{{
                __('library.closed') }}</h2><p class="meta mb-3">{{ __('library.closed_hint') }}</p>
                @if ($closed->isNotEmpty())<ul class="divide-y divide-rule mb-3">@foreach ($closed as $of)<li
                    class="py-2
                    flex items-center gap-3"><span class="grow">{{ $of->first_day === $of->last_day ?
                    $day($of->first_day) : $day($of->first_day).' – '.$day($of->last_day) }}@if ($of->name !== '')
                    <span class="text-soft"><bdi>{{ $of->name }}</bdi></span>@endif</span><form method="post"
                    action="{{ route('desk.library.open', $of, false) }}">@csrf<button class="btn btn-plain">{{
                    __('library.remove') }}<span class="sr-only">: {{ $day($of->first_day) }}</span></button></form>
                    </li>@endforeach</ul>@endif
                <form method="post" action="{{ route('desk.library.close', absolute: false) }}" class="grid gap-3">@csrf
                    <div class="grid grid-cols-2 gap-3 items-end">
                        <x-desk.field name="first_day" type="date" :label="__('library.first_day')" />
                        <x-desk.field name="last_day" type="date" :label="__('library.last_day')" :needed="false" />
                    </div>
                    <x-desk.field name="closed_name" max="60" :label="__('library.closed_name')" :needed="false" />
                    <div><button class="btn btn-quiet">{{ __('library.add_days') }}</button></div></form></section>
        </div>
    </div>
</x-desk.layout>

@php
    $lines = fn (array $groups): string => implode("\n", array_map(fn ($says, $group): string => "{$says} = {$group}",
        array_keys($groups), $groups));
    $box = 'accent-shutter w-4.5 h-4.5 mt-0.5 flex-none';
    $groupNames = array_combine($groups, $groups);
@endphp
<x-desk.layout :title="__('ways.heading')" on="library" :staff="$staff">
    <h1 class="text-3xl mb-3">{{ __('library.heading') }}</h1>
    @include('desk.library.tabs', ['here' => 'ways'])
    <p class="mb-4">{{ __('ways.text') }}</p>
    <form method="post" action="{{ route('desk.ways.save', [], false) }}" class="grid gap-5 max-w-4xl">@csrf
        <fieldset class="panel p-5 grid gap-3"><legend class="font-serif text-lg px-1">{{ __('ways.cards') }}</legend>
            @if ($errors->has('with_cards'))<p class="text-clay font-semibold">{{ $errors->first('with_cards')
                }}</p>@endif
            <label class="flex gap-2.5 items-start"><input type="checkbox" name="with_cards" value="1"
                @checked(old('with_cards', $ways->with_cards)) class="{{ $box }}"><span>{{ __('ways.with_cards') }}<span
                class="meta block">{{ __('ways.with_cards_hint') }}</span></span></label>
        </fieldset>
        <fieldset class="panel p-5 grid gap-4"><legend class="font-serif text-lg px-1">{{ __('ways.system') }}</legend>
            <label class="flex gap-2.5 items-start"><input type="checkbox" name="with_system" value="1"
                @checked(old('with_system', $system !== null)) class="{{ $box }}"><span>{{ __('ways.with_system')
                }}<span class="meta block">{{ __('ways.with_system_hint') }}</span></span></label>
            <div class="grid sm:grid-cols-3 gap-3 items-end"><x-desk.field name="system_host" :label="__('ways.host')"
                :needed="false" :usual="$system?->host" /><x-desk.field name="system_port" :max="5" inputmode="numeric"
                :label="__('ways.port')" :needed="false" :usual="$system?->port" /><label
                class="flex gap-2.5 items-center"><input type="checkbox" name="system_tls" value="1"
                @checked(old('system_tls', $system?->tls ?? true)) class="{{ $box }}">{{ __('ways.tls') }}</label></div>
            <div class="grid sm:grid-cols-2 gap-3 items-end"><x-desk.field name="system_institution"
                :label="__('ways.institution')" :needed="false" :usual="$system?->institution" /><x-desk.field
                name="system_user" :label="__('ways.user')" :hint="__('ways.user_hint')" :needed="false"
                :usual="$system?->user" autocomplete="off" /><x-desk.field name="system_password" type="password"
                :label="__('ways.password')" :hint="__('ways.secret_hint')" :needed="false"
                autocomplete="new-password" /><x-desk.field name="system_terminal_password" type="password"
                :label="__('ways.terminal_password')" :hint="__('ways.secret_hint')" :needed="false"
                autocomplete="new-password" /></div>
            <div class="grid sm:grid-cols-2 gap-3 items-end"><x-desk.field name="system_group_field" :max="2"
                :label="__('ways.group_field')" :hint="__('ways.group_field_hint')" :needed="false"
                :usual="$system?->groupField" /><x-desk.options name="system_other_group"
                :label="__('ways.other_group')" :options="$groupNames" :chosen="$system?->otherGroup" /></div>
            <x-desk.lines name="system_groups" :label="__('ways.groups')" :hint="__('ways.groups_hint')"
                :usual="$lines($system?->groups ?? [])" />
        </fieldset>
        <fieldset class="panel p-5 grid gap-4"><legend class="font-serif text-lg px-1">{{ __('ways.school') }}</legend>
            <label class="flex gap-2.5 items-start"><input type="checkbox" name="with_school" value="1"
                @checked(old('with_school', $school !== null)) class="{{ $box }}"><span>{{ __('ways.with_school')
                }}<span class="meta block">{{ __('ways.with_school_hint') }} <code class="break-all">{{
                route('school.callback') }}</code></span></span></label>
            <div class="grid sm:grid-cols-2 gap-3 items-end"><x-desk.field name="school_name"
                :label="__('ways.school_name')"
                :needed="false" :usual="$school?->name" /><x-desk.field name="school_issuer" :max="500"
                :label="__('ways.issuer')" :hint="__('ways.issuer_hint')" :needed="false"
                :usual="$school?->issuer" /><x-desk.field name="school_client_id" :label="__('ways.client_id')"
                :needed="false" :usual="$school?->clientId" autocomplete="off" /><x-desk.field name="school_secret"
                type="password" :max="500" :label="__('ways.secret')" :hint="__('ways.secret_hint')" :needed="false"
                autocomplete="new-password" /></div>
            <div class="grid sm:grid-cols-3 gap-3 items-end"><x-desk.field name="school_group_claim"
                :label="__('ways.group_claim')" :hint="__('ways.claim_hint')" :needed="false"
                :usual="$school?->groupClaim" /><x-desk.field name="school_class_claim" :label="__('ways.class_claim')"
                :hint="__('ways.claim_hint')" :needed="false" :usual="$school?->classClaim" /><x-desk.field
                name="school_number_claim" :label="__('ways.number_claim')" :hint="__('ways.claim_hint')"
                :needed="false" :usual="$school?->numberClaim" /></div>
            <x-desk.lines name="school_groups" :label="__('ways.groups')" :hint="__('ways.groups_hint')"
                :usual="$lines($school?->groups ?? [])" />
            <x-desk.options name="school_other_group" :label="__('ways.other_group')" :options="['' => __('ways.none')]
                +
                $groupNames" :chosen="$school?->otherGroup" />
        </fieldset>
        <div class="panel p-5"><x-desk.field name="mail_domain" :label="__('ways.mail_domain')"
            :hint="__('ways.mail_domain_hint')" :needed="false" :usual="$staff->library->mail_domain" /></div>
        <div><button class="btn">{{ __('ways.save') }}</button></div>
    </form>
</x-desk.layout>
